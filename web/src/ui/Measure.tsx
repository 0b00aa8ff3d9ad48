/** A length as text, its fraction set as a real one: `6 3/8 in`. */
export function Measure({ text }: { text: string }) {
  const parts = text.split(/(?<![\d./])(\d+\/\d+)(?![\d/])/);
  if (parts.length === 1) return text;
  return (
    <span>
      {parts.map((part, index) =>
        index % 2 ? (
          <span key={index} className="frac">
            {part}
          </span>
        ) : (
          part
        ),
      )}
    </span>
  );
}
