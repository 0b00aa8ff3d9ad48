import type { Catalogue, Patch } from "../../api/types";

/** What is none of the list. */
export const OWN = "own";

/** Which catalogue entry the brief's part is, if any: every value of its patch agrees. */
export function matching(choices: Catalogue["holders"], part: object): string {
  const agrees = (patch: Patch) =>
    Object.entries(patch).every(([key, value]) => Reflect.get(part, key) === value);
  return choices.find((choice) => agrees(choice.patch ?? {}))?.key ?? OWN;
}

export const options = (choices: Catalogue["holders"]) =>
  choices.map(({ key, name }) => ({ value: key, label: name }));
