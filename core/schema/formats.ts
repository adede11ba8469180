/** As the database writes them, so that one id has one spelling. */
export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

const DATE = /^\d{4}-\d{2}-\d{2}$/;

/** Whether a text is a day that there is, as ISO 8601 writes it. */
export function isDate(text: string): boolean {
  if (!DATE.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
}
