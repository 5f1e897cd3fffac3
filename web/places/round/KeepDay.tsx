"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { setCurrentPerson } from "@/device/person";
import { registerWorker } from "@/device/register";
import { storeOf } from "@/device/store";
import { fetchDay, sendKept } from "@/device/sync";
import { Div } from "@/kit/elements";

/** Keeps the day on this device, so that its visits can be done without a network. */
export function KeepDay({ date, personId }: { date: string; personId: string }) {
  const [kept, setKept] = useState(false);
  const router = useRouter();
  useEffect(() => {
    registerWorker();
    setCurrentPerson(personId);
    void (async () => {
      const waiting = () => storeOf(personId).ops.where("status").equals("kept").count();
      const before = await waiting();
      await sendKept(personId);
      // The server drew the day before it had heard of these: the ribbon moves with them.
      if ((await waiting()) < before) router.refresh();
      setKept((await fetchDay(date)) === "online");
    })();
  }, [date, personId, router]);
  return (
    <Div role="status" color="soft" fontSize="13px" minH="18px" data-kept={kept}>
      {kept ? "On this phone: its visits also work without a network." : ""}
    </Div>
  );
}
