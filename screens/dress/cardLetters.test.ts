import { missingLetters, printable } from "./cardLetters";

test("European alphabets are printed as they are", () => {
  const text = "Inès Müller-Łukasz, Nguyễn, Жанна, Ελένη – “mill”, −12 dB…";
  expect(printable(text)).toBe(text);
  expect(missingLetters([text])).toEqual([]);
});

test("letters the fonts do not have are marks, one for each, and are named once", () => {
  expect(printable("美咲 Tam 🎬")).toBe("¤¤ Tam ¤");
  expect(missingLetters(["美咲 Tam", "咲 שרה"])).toEqual(["美", "咲", "ש", "ר", "ה"]);
});
