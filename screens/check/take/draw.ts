import type { Spectrum } from "@/core/audio";
import type { CoursePoint } from "@/core/check";
import { extremesOf, tickLabel, tickStepS, type Columns, type View } from "./view";

/** A place that is marked. */
export interface Mark {
  startS: number;
  endS: number;
  isFault: boolean;
}

/** What everything is drawn with. */
export interface Sheet {
  context: CanvasRenderingContext2D;
  width: number;
  height: number;
  ink: Record<string, string>;
  view: View;
}

export const INKS = [
  "--chalk",
  "--chalk-soft",
  "--bad",
  "--warn",
  "--ink",
  "--ink-soft",
  "--seam",
  "--seam-soft",
  "--paper-deep",
];
/** Room for marks above and for the time axis below, px. */
export const RAIL_PX = 18;
export const AXIS_PX = 20;
/** Lowest level of the level view, dBFS. */
const FLOOR_DBFS = -72;

export const xOf = ({ width, view }: Pick<Sheet, "width" | "view">, atS: number): number =>
  ((atS - view.fromS) / view.spanS) * width;

const middle = ({ height }: Sheet): { top: number; bottom: number } => ({ top: RAIL_PX, bottom: height - AXIS_PX });

/** The shape, one line a pixel; single samples as a line through them. */
export function drawShape(sheet: Sheet, columns: Columns, sampleRateHz: number): void {
  const { context, width, view, ink } = sheet;
  const { top, bottom } = middle(sheet);
  const centre = (top + bottom) / 2;
  const half = (bottom - top) / 2;
  context.strokeStyle = ink["--seam-soft"]!;
  context.beginPath();
  context.moveTo(0, centre);
  context.lineTo(width, centre);
  context.stroke();
  context.fillStyle = ink["--chalk"]!;
  context.strokeStyle = ink["--chalk"]!;
  const perPixel = (view.spanS * sampleRateHz) / width;
  const start = view.fromS * sampleRateHz;
  if (perPixel < 1) {
    context.beginPath();
    const first = Math.floor(start);
    for (let frame = first; frame <= start + width * perPixel + 1; frame += 1) {
      const [low, high] = extremesOf(columns, frame, frame + 1);
      const x = (frame - start) / perPixel;
      const y = centre - ((low + high) / 2) * half;
      if (frame === first) context.moveTo(x, y);
      else context.lineTo(x, y);
      if (perPixel < 0.2) context.fillRect(x - 2, y - 2, 4, 4);
    }
    context.stroke();
    return;
  }
  for (let x = 0; x < width; x += 1) {
    const [low, high] = extremesOf(columns, start + x * perPixel, start + (x + 1) * perPixel);
    const y = centre - high * half;
    context.fillRect(x, y, 1, Math.max(1, (high - low) * half));
  }
}

/** Peaks as levels, with the speech's and the noise's level and what was planned. */
export function drawLevels(
  sheet: Sheet,
  columns: Columns,
  sampleRateHz: number,
  facts: { course: readonly CoursePoint[]; durationS: number; lines: readonly { dbfs: number; says: string }[] },
): void {
  const { context, width, view, ink } = sheet;
  const { top, bottom } = middle(sheet);
  const yOf = (dbfs: number) => top + ((bottom - top) * Math.max(0, Math.min(-FLOOR_DBFS, -dbfs))) / -FLOOR_DBFS;
  const perPixel = (view.spanS * sampleRateHz) / width;
  const start = view.fromS * sampleRateHz;
  context.fillStyle = ink["--chalk"]!;
  context.globalAlpha = 0.3;
  for (let x = 0; x < width; x += 1) {
    const [low, high] = extremesOf(columns, start + x * perPixel, start + (x + 1) * perPixel);
    const y = yOf(20 * Math.log10(Math.max(-low, high) + 1e-6));
    context.fillRect(x, y, 1, bottom - y);
  }
  context.globalAlpha = 1;
  context.font = "12px sans-serif";
  for (let dbfs = -12; dbfs > FLOOR_DBFS; dbfs -= 12) {
    context.fillStyle = ink["--seam-soft"]!;
    context.fillRect(0, yOf(dbfs), width, 1);
    context.fillStyle = ink["--ink-soft"]!;
    context.fillText(String(dbfs).replace("-", "−"), 4, yOf(dbfs) - 3);
  }
  for (const { dbfs, says } of facts.lines) {
    context.strokeStyle = ink["--warn"]!;
    context.setLineDash([2, 4]);
    context.beginPath();
    context.moveTo(0, yOf(dbfs));
    context.lineTo(width, yOf(dbfs));
    context.stroke();
    context.setLineDash([]);
    context.fillStyle = ink["--warn"]!;
    context.fillText(says, width - context.measureText(says).width - 6, yOf(dbfs) - 3);
  }
  drawCourse(sheet, facts.course, facts.durationS, (point) => point.speechDbfs, yOf, []);
  drawCourse(sheet, facts.course, facts.durationS, (point) => point.noiseDbfs, yOf, [5, 4]);
}

function drawCourse(
  sheet: Sheet,
  course: readonly CoursePoint[],
  durationS: number,
  levelOf: (point: CoursePoint) => number | null,
  yOf: (dbfs: number) => number,
  dash: number[],
): void {
  const { context, ink } = sheet;
  context.strokeStyle = ink["--ink"]!;
  context.lineWidth = 2;
  context.setLineDash(dash);
  context.beginPath();
  course.forEach((point, index) => {
    const level = levelOf(point);
    if (level === null) return;
    const endS = course[index + 1]?.startS ?? durationS;
    context.moveTo(xOf(sheet, point.startS), yOf(level));
    context.lineTo(xOf(sheet, endS), yOf(level));
  });
  context.stroke();
  context.setLineDash([]);
  context.lineWidth = 1;
}

/** The spectrum as ink on paper: the louder, the darker. Drawn from a picture made once by {@link paintSpectrum}. */
export function drawSpectrum(sheet: Sheet, spectrum: Spectrum, picture: HTMLCanvasElement, sampleRateHz: number): void {
  const { context, ink, width } = sheet;
  const { top, bottom } = middle(sheet);
  const from = xOf(sheet, spectrum.from / sampleRateHz);
  const to = xOf(sheet, (spectrum.from + spectrum.frames) / sampleRateHz);
  context.imageSmoothingEnabled = true;
  context.drawImage(picture, from, top, to - from, bottom - top);
  context.font = "12px sans-serif";
  for (const hz of [100, 300, 1000, 3000, 10000]) {
    if (hz > spectrum.highestHz) continue;
    const share = Math.log(hz / spectrum.lowestHz) / Math.log(spectrum.highestHz / spectrum.lowestHz);
    const y = bottom - share * (bottom - top);
    context.fillStyle = ink["--seam"]!;
    context.fillRect(0, y, width, 0.5);
    const says = hz >= 1000 ? `${hz / 1000} kHz` : `${hz} Hz`;
    context.fillStyle = ink["--paper-deep"]!;
    context.fillRect(0, y - 15, context.measureText(says).width + 8, 14);
    context.fillStyle = ink["--ink-soft"]!;
    context.fillText(says, 4, y - 4);
  }
}

/** A picture of a spectrum in one ink. */
export function paintSpectrum({ columns, rows, levels }: Spectrum, ink: string): HTMLCanvasElement {
  const picture = document.createElement("canvas");
  picture.width = columns;
  picture.height = rows;
  const context = picture.getContext("2d")!;
  context.fillStyle = ink;
  context.fillRect(0, 0, 1, 1);
  const [red, green, blue] = context.getImageData(0, 0, 1, 1).data;
  const image = context.createImageData(columns, rows);
  for (let column = 0; column < columns; column += 1)
    for (let row = 0; row < rows; row += 1) {
      const at = 4 * ((rows - 1 - row) * columns + column);
      const level = levels[column * rows + row]! / 255;
      image.data.set([red!, green!, blue!, Math.round(255 * Math.max(0, Math.min(1, (level - 0.15) / 0.65)))], at);
    }
  context.putImageData(image, 0, 0);
  return picture;
}

/** Findings: a stretch in its colour, a filled triangle for a fault, an open one for less. */
export function drawMarks(sheet: Sheet, marks: readonly Mark[], chosen: Mark | null): void {
  const { context, ink, width, height } = sheet;
  for (const mark of marks) {
    const from = xOf(sheet, mark.startS);
    const to = Math.max(from + 2, xOf(sheet, mark.endS));
    if (to < 0 || from > width) continue;
    const colour = mark.isFault ? ink["--bad"]! : ink["--warn"]!;
    context.globalAlpha = mark === chosen ? 0.35 : 0.16;
    context.fillStyle = colour;
    context.fillRect(from, RAIL_PX, to - from, height - RAIL_PX - AXIS_PX);
    context.globalAlpha = 1;
    context.beginPath();
    context.moveTo(from - 6, 3);
    context.lineTo(from + 6, 3);
    context.lineTo(from, RAIL_PX - 3);
    context.closePath();
    context.strokeStyle = colour;
    if (mark.isFault || mark === chosen) context.fill();
    context.stroke();
  }
}

/** Times under the drawing. */
export function drawAxis(sheet: Sheet): void {
  const { context, width, height, view, ink } = sheet;
  const step = tickStepS(view.spanS, Math.max(2, width / 110));
  context.font = "12px sans-serif";
  const last = view.fromS + view.spanS;
  for (let at = Math.ceil(view.fromS / step) * step; at <= last; at += step) {
    const x = xOf(sheet, at);
    context.fillStyle = ink["--seam"]!;
    context.fillRect(x, height - AXIS_PX, 1, 5);
    context.fillStyle = ink["--ink-soft"]!;
    const says = tickLabel(at, step);
    if (x + context.measureText(says).width + 4 < width) context.fillText(says, x + 3, height - 5);
  }
}

/** A line at one moment: where one looks, or what is heard. */
export function drawLine(sheet: Sheet, atS: number, ink: string, lineWidth: number): void {
  const { context, height } = sheet;
  context.fillStyle = sheet.ink[ink]!;
  context.fillRect(xOf(sheet, atS) - lineWidth / 2, RAIL_PX, lineWidth, height - RAIL_PX - AXIS_PX);
}
