-- Scenes learn how much sound they need. Those already there get what a new scene gets.
ALTER TABLE "scene" ADD COLUMN "length_min" double precision NOT NULL DEFAULT 30;--> statement-breakpoint
ALTER TABLE "scene" ADD COLUMN "take_min" double precision NOT NULL DEFAULT 3;--> statement-breakpoint
ALTER TABLE "scene" ALTER COLUMN "length_min" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "scene" ALTER COLUMN "take_min" DROP DEFAULT;--> statement-breakpoint
-- Places had one other material on "part of the walls": it goes on as parts of the walls, north first.
UPDATE "place" SET "model" = ("model" - 'otherWall' - 'otherWallM2') || jsonb_build_object(
  'setting', CASE "model"->>'setting' WHEN 'room' THEN 'box' ELSE "model"->>'setting' END,
  'cutLengthM', 0,
  'cutWidthM', 0,
  'patches', COALESCE((
    SELECT jsonb_agg(jsonb_build_object('surface', part.surface, 'material', "model"->>'otherWall', 'areaM2', part.taken_m2) ORDER BY part.n)
    FROM (
      SELECT wall.n, wall.surface,
        LEAST(wall.area_m2, GREATEST(("model"->>'otherWallM2')::double precision - wall.before_m2, 0)) AS taken_m2
      FROM (
        SELECT ("model"->>'lengthM')::double precision * ("model"->>'heightM')::double precision AS long_m2,
          ("model"->>'widthM')::double precision * ("model"->>'heightM')::double precision AS short_m2
      ) AS room,
      LATERAL (VALUES
        (1, 'north', room.long_m2, 0),
        (2, 'south', room.long_m2, room.long_m2),
        (3, 'east', room.short_m2, 2 * room.long_m2),
        (4, 'west', room.short_m2, 2 * room.long_m2 + room.short_m2)
      ) AS wall(n, surface, area_m2, before_m2)
    ) AS part
    WHERE part.taken_m2 >= 0.1
  ), '[]'::jsonb),
  'furnishings', '[]'::jsonb,
  'treatments', '[]'::jsonb,
  'sources', '[]'::jsonb,
  'echo', NULL,
  'tone', NULL
);
