/** Now, or another moment, as consent is kept: "2027-05-11 08:50" by the clock of this place. */
export function nowWords(now = new Date()): string {
  const two = (value: number) => String(value).padStart(2, "0");
  const day = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  return `${day} ${two(now.getHours())}:${two(now.getMinutes())}`;
}
