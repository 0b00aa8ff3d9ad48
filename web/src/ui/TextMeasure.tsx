/** The same in a drawing: `6 3/8 in` with its fraction set as a real one. */
export function TextMeasure({ text }: { text: string }) {
  const [before, fraction, after] = text.split(/(?<![\d./])(\d+\/\d+)/);
  if (fraction === undefined) return text;
  return (
    <>
      {before}
      <tspan className="frac">{fraction}</tspan>
      {after}
    </>
  );
}
