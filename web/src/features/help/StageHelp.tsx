import * as Collapsible from "radix-ui/collapsible";
import { useState } from "react";
import { Link } from "react-router";

import type { Stage } from "../rack/Stages";
import { Button } from "../../ui/Button";
import { t } from "../../messages";

const HELP: Record<Stage, string> = {
  rack: t("help.stage-rack"),
  wall: t("help.stage-wall"),
  fixing: t("help.stage-mounting"),
  timber: t("help.stage-timber"),
  making: t("help.stage-build"),
  log: t("help.stage-log"),
};

interface Props {
  stage: Stage;
  title: string;
  onTour: () => void;
}

/** The head of a stage: what it is called, and on wish what is done there. */
export function StageHelp({ stage, title, onTour }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen} className="border-b border-rule px-3">
      <div className="flex min-h-8 items-center justify-between">
        <h2 className="text-lead">{title}</h2>
        <Collapsible.Trigger className="min-h-7 px-1 text-small act-link pointer-coarse:min-h-touch">
          {open ? t("help.close-the-help") : t("help.what-is-done-here")}
        </Collapsible.Trigger>
      </div>
      <Collapsible.Content className="pb-2 text-plain">
        <p>{HELP[stage]}</p>
        <p className="mt-1 flex flex-wrap items-center gap-x-3">
          <Link to="/words" className="act-link">
            {t("help.words-with-pictures")}
          </Link>
          <Button
            onClick={() => {
              setOpen(false);
              onTour();
            }}
          >
            {t("help.show-me-around")}
          </Button>
        </p>
      </Collapsible.Content>
    </Collapsible.Root>
  );
}
