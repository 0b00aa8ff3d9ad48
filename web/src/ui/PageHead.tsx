import type { ReactNode } from "react";
import { Link } from "react-router";

import { t } from "../messages";

interface Props {
  title: ReactNode;
  /** Where it belongs to: the racks, unless something else is said. */
  back?: { to: string; label: string };
  /** What can be done from here. */
  children?: ReactNode;
}

/** How a page begins: the way back, what it is, and what can be done from there. */
export function PageHead({ title, back = { to: "/", label: t("ui.racks") }, children }: Props) {
  return (
    <header className="flex flex-wrap items-center gap-3 border-b-2 border-ink py-3">
      <Link to={back.to} className="act-link">
        {back.label}
      </Link>
      <h1 className="flex-1 text-head">{title}</h1>
      {children}
    </header>
  );
}
