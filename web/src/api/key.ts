/** A key that nobody else makes; also where the page is not at home: a phone has no `randomUUID` over plain HTTP. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
}
