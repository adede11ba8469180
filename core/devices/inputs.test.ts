import { INPUTS } from "./inputs";

test.each(Object.values(INPUTS).filter(({ typical }) => typical !== undefined))(
  "$name clips at one level, for cables and for gains",
  ({ clipsDbu, typical, lineClipsDbu }) => {
    expect(typical.maxInputDbu).toBe(clipsDbu);
    expect(typical.line?.maxInputDbu ?? null).toBe(lineClipsDbu);
  },
);
