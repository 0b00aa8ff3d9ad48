import type { Catalogue } from "../../api/types";

export type Part = Record<string, unknown>;

/** What is none of the list. */
export const OWN = "own";

/** Which catalogue entry the brief's part is, if any: every value of its patch agrees. */
export function matching(choices: Catalogue["holders"], part: Part): string {
  const agrees = (patch: Part) => Object.entries(patch).every(([key, value]) => part[key] === value);
  return choices.find((choice) => agrees(choice.patch ?? {}))?.key ?? OWN;
}

export const options = (choices: Catalogue["holders"]) =>
  choices.map(({ key, name }) => ({ value: key, label: name }));
