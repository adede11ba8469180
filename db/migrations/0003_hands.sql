-- Microphones placed before hands were known: those that are held keep the hand that holds them, others have none near.
UPDATE "pickup" SET "setup" = "setup" || jsonb_build_object('mics', COALESCE((
  SELECT jsonb_agg(
    mic.value || jsonb_build_object('handsM', CASE mic.value->>'holder' WHEN 'hand' THEN 0.1 WHEN 'phone' THEN 0.03 END)
    ORDER BY mic.n
  )
  FROM jsonb_array_elements("setup"->'mics') WITH ORDINALITY AS mic(value, n)
), '[]'::jsonb));
