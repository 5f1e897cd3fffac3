"use client";

import { useEffect, useState } from "react";
import { registerWorker } from "@/device/register";
import { setCurrentPerson } from "@/device/store";
import { fetchDay, sendKept } from "@/device/sync";
import { Div } from "@/kit/elements";

/** Keeps the day on this device, so that its visits can be done without a network. */
export function KeepDay({ date, personId }: { date: string; personId: string }) {
  const [kept, setKept] = useState(false);
  useEffect(() => {
    registerWorker();
    setCurrentPerson(personId);
    void sendKept(personId)
      .then(() => fetchDay(date))
      .then((answer) => setKept(answer === "online"));
  }, [date, personId]);
  return (
    <Div role="status" color="soft" fontSize="13px" minH="18px" data-kept={kept}>
      {kept ? "Kept on this device: its visits also work without a network." : ""}
    </Div>
  );
}
