import { Link } from "react-router";

export function NotFound({ text = "There is no such page." }: { text?: string }) {
  return (
    <main className="mx-auto max-w-lg p-10">
      <title>Not here | Yardcliff</title>
      <h1 className="mb-3 text-2xl">Nothing hangs here</h1>
      <p className="mb-4">{text}</p>
      <Link className="text-act underline" to="/">
        To the racks
      </Link>
    </main>
  );
}
