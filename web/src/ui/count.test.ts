import { expect, test } from "vitest";

import { readCount } from "./count";

test("a count is a whole number within bounds, or says what is wrong", () => {
  expect(readCount("7", 1)).toBe(7);
  expect(readCount("0", 0)).toBe(0);
  for (const wrong of ["0", "-1", "2.5", "six", "", "1001", "1e3"])
    expect(readCount(wrong, 1)).toContain(`“${wrong}” is no count`);
});
