-- What is stored is codes and figures, so that rewording a screen changes nothing else. Names and phrases below are those of the
-- release before; what is not among them is kept as it was written.
CREATE TEMP TABLE device_was (name text PRIMARY KEY, id text NOT NULL) ON COMMIT DROP;
--> statement-breakpoint
INSERT INTO device_was VALUES
  ('pack', 'pack'),
  ('receiver', 'receiver'),
  ('recorder''s own pair', 'recorder35'),
  ('phone', 'phone'),
  ('receiver, balanced mono 3.5 mm', 'receiverBalanced'),
  ('receiver, unbalanced 3.5 mm', 'receiver'),
  ('receiver, USB', 'receiverUsb'),
  ('lav with a battery', 'lavBattery'),
  ('lav on plug-in power', 'lavSelf'),
  ('XLR condenser mic', 'micPhantom'),
  ('XLR dynamic mic', 'micDynamic'),
  ('house desk, XLR out', 'deskXlr'),
  ('house desk, 6.35 mm out', 'deskJack'),
  ('house desk, RCA out', 'deskRca'),
  ('powered speaker, XLR through', 'speakerThrough'),
  ('recorder, XLR mic input', 'recorderXlr'),
  ('recorder, 6.35 mm line input', 'recorderLine'),
  ('recorder, XLR input, mic or line', 'recorderSwitched'),
  ('recorder, 3.5 mm mic input', 'recorder35'),
  ('phone, headset socket', 'phone'),
  ('phone, headset socket of the older wiring', 'phoneOlder'),
  ('phone, data socket', 'phoneData'),
  ('computer, mic socket', 'computerMic'),
  ('computer, USB', 'computerUsb'),
  ('streaming mixer, XLR channel', 'streamMixer'),
  ('camera, 3.5 mm mic input, no headphones', 'cameraNoPhones'),
  ('XLR lead', 'xlr-xlr'),
  ('XLR lead, 10 m', 'xlr-xlr-long'),
  ('XLR turner, plug to plug', 'xlr-gender-m'),
  ('XLR turner, socket to socket', 'xlr-gender-f'),
  ('3.5 mm balanced to XLR lead', 'trs35-xlr'),
  ('3.5 mm unbalanced to XLR lead', 'ts35-xlr'),
  ('3.5 mm to XLR adapter with phantom block', 'ts35-xlr-blocked'),
  ('XLR to 3.5 mm lead, on both channels', 'xlr-trs35-dual'),
  ('XLR to 6.35 mm lead, two poles', 'xlr-ts635'),
  ('XLR to 6.35 mm lead, balanced', 'xlr-trs635'),
  ('6.35 mm to XLR lead, two poles', 'ts635-xlr'),
  ('6.35 mm to XLR lead, balanced', 'trs635-xlr'),
  ('3.5 mm lead, three poles', 'trs35-trs35'),
  ('3.5 mm coiled lead, three poles', 'trs35-trs35-coil'),
  ('3.5 mm lead, two poles', 'ts35-ts35'),
  ('3.5 mm lead, balanced to both channels', 'trs35-both'),
  ('3.5 mm extension', 'trs35-extension'),
  ('3.5 mm coupler, socket to socket', 'trs35-coupler'),
  ('3.5 mm right-angle adapter', 'trs35-right-angle'),
  ('3.5 mm one channel to both', 'mono-stereo35'),
  ('3.5 mm attenuating lead, 25 dB', 'pad-35'),
  ('3.5 mm plug-in power block', 'block-35'),
  ('3.5 mm to four poles lead, phone''s microphone', 'lead-ctia'),
  ('3.5 mm to four poles lead, the older wiring', 'lead-omtp'),
  ('phone adapter for battery-powered mics', 'adapter-battery'),
  ('phone adapter for self-powered mics', 'adapter-self'),
  ('phone adapter for self-powered mics, the older wiring', 'adapter-self-omtp'),
  ('four-pole wiring swap', 'ctia-omtp'),
  ('headset splitter, microphone and headphones', 'splitter'),
  ('3.5 mm to 6.35 mm lead, three poles', 'trs35-trs635'),
  ('3.5 mm to 6.35 mm lead, two poles', 'ts35-ts635'),
  ('6.35 mm to 3.5 mm lead, three poles', 'trs635-trs35'),
  ('6.35 mm to 3.5 mm lead, on both channels', 'ts635-trs35-dual'),
  ('6.35 mm lead, two poles', 'ts635-ts635'),
  ('6.35 mm lead, three poles', 'trs635-trs635'),
  ('6.35 mm adapter for 3.5 mm plugs', 'jack-big'),
  ('3.5 mm adapter for 6.35 mm plugs', 'jack-small'),
  ('RCA to 6.35 mm lead', 'rca-635'),
  ('two RCA to 3.5 mm lead', 'rca-35'),
  ('RCA to XLR lead', 'rca-xlr'),
  ('RCA lead', 'rca-rca'),
  ('6.35 mm adapter for RCA plugs', 'rca-635-adapter'),
  ('XLR pad, 10 dB', 'pad-xlr-10'),
  ('XLR pad, 20 dB', 'pad-xlr-20'),
  ('XLR pad, 40 dB', 'pad-xlr-40'),
  ('XLR isolating transformer', 'isolator'),
  ('DI box, 20 dB', 'di'),
  ('phantom power box', 'phantom-box'),
  ('recorder as audio interface, XLR to USB', 'interface'),
  ('USB sound adapter, 3.5 mm', 'interface-35'),
  ('USB lead, C to C', 'usb-cc'),
  ('USB lead, C to A', 'usb-ca'),
  ('USB lead, micro to A', 'usb-micro-a'),
  ('USB adapter, A socket to C plug', 'usb-a-c'),
  ('phone''s camera adapter', 'camera-adapter');
--> statement-breakpoint
CREATE TEMP TABLE line_was (says text PRIMARY KEY, control text NOT NULL, value text NOT NULL) ON COMMIT DROP;
--> statement-breakpoint
INSERT INTO line_was VALUES
  ('2.4 GHz, paired', 'frequency', 'paired'),
  ('No frequency yet', 'frequency', 'none'),
  ('Plug-in power on', 'setting.plugInOn', ''),
  ('Plug-in power off', 'setting.plugInOff', ''),
  ('Phantom power on', 'setting.phantomOn', ''),
  ('Phantom power off', 'setting.phantomOff', ''),
  ('Phantom power off, before plugging in', 'setting.phantomOff', ''),
  ('Unlink it from its neighbour: a mono track of its own', 'setting.unlink', ''),
  ('Automatic level off', 'habit.automaticLevelOff', ''),
  ('Low cut off, unless there is wind or rumble', 'habit.lowCutOff', ''),
  ('Limiter as seat belt only', 'habit.limiterOnly', ''),
  ('Headphones in: their volume is not the record level', 'habit.headphonesIn', ''),
  ('Automatic level off in the program', 'habit.programLevelOff', ''),
  ('Flight mode, notifications off', 'habit.flightMode', ''),
  ('Echo cancelling, noise suppression and automatic gain off', 'habit.processingOff', ''),
  ('The right input in system and program', 'habit.rightInput', ''),
  ('Compressor off, limiter as seat belt only', 'habit.compressorOff', ''),
  ('Simple receivers distort near full: two thirds to three quarters', 'habit.twoThirds', ''),
  ('Ask for a test tone, or the loudest song, before the show', 'habit.testTone', ''),
  ('Recorder''s input: external, not its own mics', 'setting.external', ''),
  ('Tap the mic, then the phone: the mic must be louder', 'setting.tapTest', ''),
  ('The mic socket, not the headphones''', 'setting.micSocket', ''),
  ('Boost off, then the system''s level, then the program''s', 'setting.levelOrder', ''),
  ('Choose it in system and program, compare with the analogue way', 'setting.chooseInSystem', ''),
  ('A channel of its own, so that wired and wireless can be switched', 'setting.ownChannel', ''),
  ('Nobody can listen there: play the first take back, or record beside it', 'setting.nobodyListens', ''),
  ('Recorder''s menu: audio interface, stereo, mobile', 'setting.interfaceMenu', ''),
  ('Choose it as the input', 'setting.chooseAsInput', ''),
  ('Phone charged: the adapter takes power', 'setting.charged', '');
--> statement-breakpoint
CREATE TEMP TABLE setting_was (says text PRIMARY KEY, code text NOT NULL) ON COMMIT DROP;
--> statement-breakpoint
INSERT INTO setting_was VALUES
  ('Recorder''s input: external, not its own mics', 'setting.external'),
  ('Tap the mic, then the phone: the mic must be louder', 'setting.tapTest'),
  ('The mic socket, not the headphones''', 'setting.micSocket'),
  ('Boost off, then the system''s level, then the program''s', 'setting.levelOrder'),
  ('Choose it in system and program; compare with the analogue way', 'setting.chooseInSystem'),
  ('A channel of its own, so that wired and wireless can be switched', 'setting.ownChannel'),
  ('Nobody can listen there: play the first take back, or record beside it', 'setting.nobodyListens'),
  ('Recorder''s menu: audio interface, stereo, mobile', 'setting.interfaceMenu'),
  ('Choose it as the input', 'setting.chooseAsInput'),
  ('Phone charged: the adapter takes power', 'setting.charged');
--> statement-breakpoint
CREATE TEMP TABLE knob_was (name text PRIMARY KEY, id text NOT NULL) ON COMMIT DROP;
--> statement-breakpoint
INSERT INTO knob_was VALUES
  ('Sensitivity', 'sensitivity'),
  ('Volume', 'output'),
  ('Send', 'send'),
  ('Input', 'mode'),
  ('Gain', 'gain'),
  ('Boost', 'boost'),
  ('System''s level', 'system'),
  ('Program''s trim', 'trim');
--> statement-breakpoint
CREATE TEMP TABLE kind_was (kind text PRIMARY KEY, sounds text NOT NULL, advice text NOT NULL) ON COMMIT DROP;
--> statement-breakpoint
INSERT INTO kind_was VALUES
  ('clipped', 'Loud syllables crackle.', 'Turn it down and record this line again; clipping cannot be repaired.'),
  ('overloadedEarlier', 'Loud syllables are rough, yet the meter never reaches the top.', 'Lower the transmitter''s sensitivity; the recorder''s gain cannot cure this.'),
  ('limited', 'Loud words are squeezed; the room swells after them.', 'Lower the transmitter''s sensitivity until its limiter rests on all but the loudest word.'),
  ('overFullScale', 'Nothing yet: a float file keeps it.', 'Turn the file down before any other step in the edit, and the gain down for the next take.'),
  ('tooHot', 'Clean, but the next louder line clips.', 'Turn down: the next line may be louder.'),
  ('tooLow', 'Thin until turned up, and its noise comes up with it.', 'Raise the transmitter''s sensitivity first, then the receiver''s output, then the recorder.'),
  ('noisy', 'The place is heard behind every word.', 'Stop the noise or come closer: more gain lifts both alike.'),
  ('hum', 'A steady low tone under everything.', 'Find what is plugged in: dimmers, chargers, a ground loop by a lead. Ask the venue''s technician; never lift a safety earth.'),
  ('hiss', 'A steady bright noise under the voice.', 'Raise the gain at the first stage and lower it at the last; check that no line input has a microphone in it.'),
  ('roomy', 'The voice is far away; words run into each other.', 'Come closer, or hang cloth where the voice goes first.'),
  ('ownMicrophone', 'Far more room than this microphone place can give.', 'Scratch the capsule and listen: is it this one that records? Set the input of phone, camera or computer by hand.'),
  ('plosive', 'A thump on p and b.', 'Turn the capsule out of the breath, or put foam over it; a low cut softens what is recorded.'),
  ('breath', 'Air drawn in before phrases.', 'Move the capsule aside of nose and mouth; the edit can take single breaths down.'),
  ('wind', 'Low rumble that comes and goes.', 'Fur over the capsule, or the person''s back to the wind; a low cut only helps a little.'),
  ('rustle', 'Cloth brushes over the microphone.', 'Fix both layers to each other round the capsule, make a strain-relief loop, and take it again.'),
  ('knock', 'A thump with a click.', 'Free the lead, loop it below the capsule, and keep hands and jewellery away from it.'),
  ('sibilant', 'S and sh cut.', 'Turn the capsule away from the mouth''s axis, or take off the bright cap.'),
  ('muffled', 'As through a blanket.', 'Look for cloth or tape over the capsule''s port; a bright cap helps under layers.'),
  ('boomy', 'Chesty and thick.', 'Move it off the chest or away from the mouth; a low cut or a shelf in the edit thins it.'),
  ('dropout', 'Syllables vanish for a moment.', 'Line of sight to the receiver''s antennas, fresh batteries, another frequency; take it again.'),
  ('radioNoise', 'Short bursts of loud hiss.', 'Another frequency, antennas closer, squelch checked; take it again.'),
  ('gap', 'Tiny holes that tick.', 'A slow card or a busy computer lost samples: another card, nothing else running, and take it again.'),
  ('repeated', 'A stutter or a buzz for an instant.', 'Two clocks that are not tied, or a busy computer: set one as the master, and take it again.'),
  ('silent', 'Nothing.', 'Tap the microphone and follow the lead: pack muted, wrong input, or cable out.'),
  ('linked', 'Both channels are one microphone.', 'Unlink the inputs, or route each microphone to a track of its own.'),
  ('swapped', 'Each track has the other''s voice.', 'Swap the leads or rename the tracks, and write it into the report.'),
  ('inverted', 'Hollow once the two are mixed.', 'Flip the polarity of one of the two; look for a lead or a head amplifier that turns it.'),
  ('delayed', 'An echo or hollowness once the two are mixed.', 'Move one track by this much in the edit; a digital link delays, and so does distance (3 ms a metre).'),
  ('pumping', 'The room swells up in every pause.', 'Switch off automatic level at recorder, camera or phone, and set the gain by hand.'),
  ('lowCut', 'Lean below the voice; nothing is wrong.', 'Do not cut again in the edit; note it for the mix.'),
  ('headTurn', 'Whole phrases are weaker and duller.', 'A place nearer the middle of the chest, or on the side of the partner.'),
  ('dcOffset', 'Nothing, until it is cut: then a click.', 'A low cut in the edit removes it; an input that does this may be faulty.'),
  ('wrongFormat', 'Nothing, until the edit: then it may drift or lose quality.', 'Set the recorder to the delivery''s rate and bits before the next take, and tell the edit of this one.'),
  ('brokenSamples', 'Clicks.', 'The program that wrote this float file damaged it: export it again.'),
  ('cutShort', 'It stops in the midst.', 'Copy it from the card again before the card is formatted.');
--> statement-breakpoint
-- One line of a card: a control and its value.
CREATE FUNCTION pg_temp.set_to(line text) RETURNS jsonb LANGUAGE sql AS $$
  SELECT coalesce(
    (SELECT jsonb_build_object('control', control, 'value', value) FROM line_was WHERE says = line),
    (SELECT jsonb_build_object('control', 'frequency', 'value', m[1]) FROM regexp_match(line, '^Frequency ([0-9.]+) MHz$') m WHERE m IS NOT NULL),
    (SELECT jsonb_build_object('control', 'preset', 'value', m[1]) FROM regexp_match(line, '^Preset (.+)$') m WHERE m IS NOT NULL),
    (SELECT jsonb_build_object('control', 'format', 'value', (m[1]::numeric * 1000)::integer || '/' || m[2])
       FROM regexp_match(line, '^Format ([0-9.]+) kHz, ([0-9]+) bit$') m WHERE m IS NOT NULL),
    (SELECT jsonb_build_object('control', 'compressor', 'value', m[1] || ':1 ' || m[2])
       FROM regexp_match(line, '^Compressor ([0-9.]+) : 1 from (-?[0-9.]+) dBFS$') m WHERE m IS NOT NULL),
    (SELECT jsonb_build_object('control', id, 'value',
         replace(replace(replace(substr(line, length(name) + 2), '−', '-'), '+', ''), ' dB', ''))
       FROM knob_was WHERE line LIKE name || ' %' ORDER BY length(name) DESC LIMIT 1),
    jsonb_build_object('control', 'unknown', 'value', left(line, 200)))
$$;
--> statement-breakpoint
UPDATE "level_line" line SET "ticks" = (
  SELECT jsonb_agg(jsonb_build_object(
      'device', left(coalesce(
        (SELECT kit.id::text FROM "kit_item" kit
          WHERE kit.crew_id = line.crew_id AND kit.name = tick ->> 'device' AND kit.kind IN ('source', 'socket', 'lead')
          ORDER BY kit.deleted_at IS NOT NULL, kit.created_at LIMIT 1),
        (SELECT id FROM device_was WHERE name = tick ->> 'device'),
        tick ->> 'device'), 60),
      'holdsFor', (SELECT coalesce(jsonb_agg(pg_temp.set_to(part) ORDER BY at), '[]')
        FROM regexp_split_to_table(replace(tick ->> 'holdsFor', 'program; compare', 'program, compare'), '; ')
          WITH ORDINALITY AS parts (part, at) WHERE at <= 40),
      'at', tick ->> 'at') ORDER BY number)
  FROM jsonb_array_elements(line."ticks") WITH ORDINALITY AS all_ticks (tick, number))
WHERE jsonb_array_length(line."ticks") > 0;
--> statement-breakpoint
UPDATE "levels" SET "seq" = nextval('change_seq'), "version" = "version" + 1
WHERE "id" IN (SELECT "levels_id" FROM "level_line" WHERE jsonb_array_length("ticks") > 0);
--> statement-breakpoint
UPDATE "kit_item" SET "seq" = nextval('change_seq'), "version" = "version" + 1, "figures" = jsonb_set("figures", '{settings}', (
  SELECT coalesce(jsonb_agg(coalesce(
      (SELECT jsonb_build_object('code', code) FROM setting_was WHERE says = text),
      jsonb_build_object('code', 'setting.asWritten', 'text', text)) ORDER BY at), '[]')
  FROM jsonb_array_elements_text("figures" -> 'settings') WITH ORDINALITY AS texts (text, at)))
WHERE jsonb_typeof("figures" -> 'settings') = 'array' AND jsonb_array_length("figures" -> 'settings') > 0;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "said" jsonb;
--> statement-breakpoint
UPDATE "measurement" SET "seq" = nextval('change_seq'), "version" = "version" + 1,
  "said" = jsonb_build_object('sentence', "sentence", 'correction', "correction", 'redress', "redress");
--> statement-breakpoint
ALTER TABLE "measurement" ALTER COLUMN "said" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "measurement" DROP COLUMN "sentence";
--> statement-breakpoint
ALTER TABLE "measurement" DROP COLUMN "correction";
--> statement-breakpoint
ALTER TABLE "measurement" DROP COLUMN "redress";
--> statement-breakpoint
UPDATE "place" SET "seq" = nextval('change_seq'), "version" = "version" + 1, "model" = jsonb_set("model", '{echo,remarks}', (
  SELECT jsonb_agg(jsonb_build_object('code', 'clap.asWritten', 'text', text) ORDER BY at)
  FROM jsonb_array_elements_text("model" #> '{echo,remarks}') WITH ORDINALITY AS remarks (text, at)))
WHERE jsonb_typeof("model" #> '{echo,remarks}') = 'array' AND jsonb_array_length("model" #> '{echo,remarks}') > 0;
--> statement-breakpoint
-- What a finding says beyond its kind; of hum the figures, by which it is filtered.
CREATE FUNCTION pg_temp.finding_now(finding jsonb) RETURNS jsonb LANGUAGE sql AS $$
  SELECT (finding - 'message' - 'advice' - 'cause')
    || CASE
      WHEN hum IS NOT NULL THEN jsonb_build_object('what', jsonb_build_object('code', 'finding.hum', 'mainsHz', hum[1]::numeric,
        'lines', hum[2]::integer, 'underVoiceDb', replace(hum[3], '−', '-')::numeric))
      WHEN finding ->> 'message' = sounds THEN '{}'
      ELSE jsonb_build_object('what', jsonb_build_object('code', 'finding.asWritten', 'text', finding ->> 'message')) END
    || CASE WHEN finding ->> 'advice' = advice THEN '{}'
      ELSE jsonb_build_object('advice', jsonb_build_object('code', 'advice.asWritten', 'text', finding ->> 'advice')) END
    || CASE WHEN finding ->> 'cause' IS NULL THEN '{}'
      ELSE jsonb_build_object('cause', jsonb_build_object('code', 'cause.asWritten', 'text', finding ->> 'cause')) END
  FROM kind_was, regexp_match(finding ->> 'message', '^Hum of ([0-9]+) Hz with ([0-9]+) lines?, (−?[0-9.]+) dB under the voice') AS hum
  WHERE kind = finding ->> 'kind'
$$;
--> statement-breakpoint
UPDATE "take_detail" SET "seq" = nextval('change_seq'), "version" = "version" + 1, "findings" = (
  SELECT jsonb_agg(pg_temp.finding_now(finding) ORDER BY at) FROM jsonb_array_elements("findings") WITH ORDINALITY AS all_findings (finding, at))
WHERE jsonb_array_length("findings") > 0;
