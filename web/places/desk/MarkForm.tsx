"use client";

import { Box } from "@chakra-ui/react";
import { MARK_BYTES } from "@keel-round/core/desk";
import { useState } from "react";
import { Notice, Problem, QuietButton } from "@/kit/controls";
import { Image, Label } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { saveMarkAction } from "./actions";

const inBase64 = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^data:[^,]*,/, ""));
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(file);
  });

/** The firm's mark above its letters and reports: a picture, brought in or taken away. */
export function MarkForm({ mark }: { mark: string | null }) {
  const { ask, problem, said, disabled } = useAsk();
  const [tooLarge, setTooLarge] = useState(false);
  const choose = async (file: File | undefined) => {
    setTooLarge(file !== undefined && file.size > MARK_BYTES);
    if (!file || file.size > MARK_BYTES) return;
    await ask(saveMarkAction({ file: await inBase64(file) }), () => "Letters and reports carry it from now on.");
  };
  return (
    <Box pt="10px" pb="14px" data-mark="">
      {mark && <Image src={mark} alt="The firm’s mark" maxH="64px" mb="8px" />}
      <Label display="block">
        Mark above letters and reports: PNG, JPEG or WebP
        <input
          type="file"
          accept="image/png,image/jpeg,image/webp"
          disabled={disabled}
          onChange={(e) => void choose(e.target.files?.[0])}
          style={{ display: "block", marginTop: "6px" }}
        />
      </Label>
      <Problem says={tooLarge ? "A mark may have 500 kB. Save it smaller." : problem} mt="6px" />
      {said && (
        <Box mt="8px" role="status">
          <Notice tone="plain">{said}</Notice>
        </Box>
      )}
      {mark && (
        <QuietButton
          type="button"
          mt="8px"
          disabled={disabled}
          onClick={() => ask(saveMarkAction({ file: null }), () => "The mark is gone.")}
        >
          Take the mark away
        </QuietButton>
      )}
    </Box>
  );
}
