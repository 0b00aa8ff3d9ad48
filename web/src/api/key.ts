const DEVICE = "yardcliff.device";

/** A key that nobody else makes; also where the page is not at home: a phone has no `randomUUID` over plain HTTP. */
/** The name that this browser gives itself: by it the record tells who said what. */
export function deviceName(): string {
  const kept = localStorage.getItem(DEVICE) ?? newKey();
  localStorage.setItem(DEVICE, kept);
  return kept;
}

export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
}
