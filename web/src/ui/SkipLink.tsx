import { Outlet } from "react-router";

import { t } from "../messages";

/** Every page: past what all of them begin with by one key. */
export function WithSkipLink() {
  return (
    <>
      <a
        href="#main"
        onClick={(event) => {
          event.preventDefault(); // the address stays a link to the page
          document.getElementById("main")?.focus();
        }}
        className="sr-only focus:not-sr-only focus:fixed focus:top-0 focus:left-1/2 focus:z-50 focus:-translate-x-1/2 focus:bg-act focus:px-3 focus:py-2 focus:text-on-act"
      >
        {t("ui.to-the-content")}
      </a>
      <Outlet />
    </>
  );
}
