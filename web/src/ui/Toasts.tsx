import * as Toast from "radix-ui/toast";
import { createContext, useCallback, useContext, useState, type ReactNode } from "react";

import { Button } from "./Button";
import { t } from "../messages";

interface Message {
  id: number;
  text: string;
  action?: { label: string; run: () => void };
}
type Say = (text: string, action?: Message["action"]) => void;

const SayContext = createContext<Say>(() => undefined);

/** Says something for a few seconds, with a way to take it back. */
export const useSay = () => useContext(SayContext);

export function Toasts({ children }: { children: ReactNode }) {
  const [messages, setMessages] = useState<Message[]>([]);
  const say = useCallback<Say>((text, action) => {
    setMessages((old) => [
      ...old.slice(-2),
      { id: Date.now() + Math.random(), text, ...(action && { action }) },
    ]);
  }, []);
  return (
    <SayContext value={say}>
      <Toast.Provider duration={8000}>
        {children}
        {messages.map(({ id, text, action }) => (
          <Toast.Root
            key={id}
            className="flex items-center gap-3 rounded-[3px] bg-ink px-3 py-2 text-paper shadow-lg"
            onOpenChange={(open) => !open && setMessages((old) => old.filter((m) => m.id !== id))}
          >
            <Toast.Title className="text-plain">{text}</Toast.Title>
            {action && (
              <Toast.Action altText={action.label} asChild>
                <Button look="plain" onClick={action.run}>
                  {action.label}
                </Button>
              </Toast.Action>
            )}
            <Toast.Close aria-label={t("ui.close-message")} className="px-1 text-lead leading-none">
              ×
            </Toast.Close>
          </Toast.Root>
        ))}
        <Toast.Viewport className="no-print fixed bottom-(--foot) left-1/2 z-50 flex w-max max-w-[94vw] -translate-x-1/2 flex-col gap-2" />
      </Toast.Provider>
    </SayContext>
  );
}
