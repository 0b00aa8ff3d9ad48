import type { ReactNode } from "react";

/** One clause of the order: its heading on the rule, its lines below. */
export function Section({
  title,
  aside,
  stop,
  children,
}: {
  title: string;
  aside?: ReactNode;
  /** A stop of the tour. */
  stop?: string;
  children: ReactNode;
}) {
  return (
    <section
      className="border-t border-ink px-3 pt-1 pb-1.5 first:border-t-0"
      aria-label={title}
      data-stop={stop}
    >
      <div className="flex min-h-7 items-center justify-between gap-2">
        <h3 className="text-body">{title}</h3>
        {aside}
      </div>
      {children}
    </section>
  );
}
