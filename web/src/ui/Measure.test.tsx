import { renderToStaticMarkup } from "react-dom/server";
import { expect, test } from "vitest";

import { Measure } from "./Measure";

const drawn = (text: string) => renderToStaticMarkup(<Measure drawn text={text} />);
const written = (text: string) => renderToStaticMarkup(<Measure text={text} />);
const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);

test("every inch mark from 1/64 to 63/64 keeps its numerator whole, with and without whole inches", () => {
  for (let k = 1; k < 64; k++) {
    const fraction = `${k / gcd(k, 64)}/${64 / gcd(k, 64)}`;
    for (const whole of ["", "9 ", "10 "]) {
      const kept = whole.replace(" ", "\u00a0");
      expect(drawn(whole + fraction)).toBe(`${kept}<tspan class="frac">${fraction}</tspan>`);
      expect(written(`${whole}${fraction} in`)).toBe(
        `<span>${kept}<span class="frac">${fraction}</span> in</span>`,
      );
    }
  }
});

test("what is no fraction of a length is left as it is, and every fraction of a sentence is set", () => {
  for (const text of ["9", "1.5/3", "2026/11/29", "348 mm"]) expect(drawn(text)).toBe(text);
  expect(written("from 15/16 in to 1 3/4 in").match(/frac/g)).toHaveLength(2);
});
