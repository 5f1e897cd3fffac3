"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { TankPhoto } from "@/data/photos/photos";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form, Image, Span } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { yearDate } from "@/kit/words";
import { spotName } from "./order";

export type AgreeAction = (input: {
  photoId: string;
  by: string | null;
}) => Promise<
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly message: string; readonly fields?: Readonly<Record<string, readonly string[]>> }
>;

/** One picture: who took it and when, what it shows, and whether it may be shown to others. */
export function OnePhoto({
  of: p,
  tankName,
  onArchive,
  agree,
}: {
  of: TankPhoto;
  tankName: string;
  /** Null for who may only look. */
  onArchive: (() => void) | null;
  agree: AgreeAction | null;
}) {
  return (
    <Box>
      <a href={`/api/photos/${p.id}`} target="_blank" rel="noreferrer">
        <Image
          src={`/api/photos/${p.id}?small`}
          alt={`${tankName} on ${yearDate(p.onDate)}${p.note ? `: ${p.note}` : ""}`}
          loading="lazy"
          w="100%"
          display="block"
          borderWidth="1px"
          borderColor="rule"
          style={{ aspectRatio: `${p.width} / ${p.height}` }}
        />
      </a>
      <Flex justify="space-between" align="baseline" gap="10px" pt="6px" fontSize="14px">
        <Span>
          <Span fontWeight="620">{yearDate(p.onDate)}</Span>
          <Span color="soft">, {p.by}</Span>
        </Span>
        {onArchive && (
          <QuietButton
            type="button"
            py="2px"
            px="8px"
            fontSize="12.5px"
            aria-label={`Archive the picture of ${yearDate(p.onDate)}`}
            onClick={onArchive}
          >
            archive
          </QuietButton>
        )}
      </Flex>
      {p.spot !== "tank" && <Box fontSize="14px">{spotName(p)}</Box>}
      {p.note && p.note !== p.of && <Box fontSize="14px">{p.note}</Box>}
      {agree && <Use photoId={p.id} agreed={p.agreed} agree={agree} />}
    </Box>
  );
}

/** Whether the owner agreed that a picture is shown to others: who did, and when. */
function Use({ photoId, agreed, agree }: { photoId: string; agreed: TankPhoto["agreed"]; agree: AgreeAction }) {
  const { ask, problem, disabled } = useAsk();
  const [open, setOpen] = useState(false);
  const [by, setBy] = useState("");
  if (agreed)
    return (
      <Flex fontSize="14px" gap="8px" align="baseline" wrap="wrap" data-agreed="">
        <Span>
          May be shown to others: {agreed.by} agreed, {yearDate(agreed.on)}
        </Span>
        <QuietButton
          type="button"
          py="2px"
          px="8px"
          fontSize="12.5px"
          disabled={disabled}
          onClick={() => ask(agree({ photoId, by: null }))}
        >
          take back
        </QuietButton>
        <Problem says={problem} />
      </Flex>
    );
  if (!open)
    return (
      <Flex fontSize="14px" gap="8px" align="baseline" color="soft">
        For this client alone
        <QuietButton type="button" py="2px" px="8px" fontSize="12.5px" onClick={() => setOpen(true)}>
          the owner agreed
        </QuietButton>
      </Flex>
    );
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        void ask(agree({ photoId, by }), () => {
          setOpen(false);
          return undefined;
        });
      }}
    >
      <Flex gap="8px" align="center" pt="4px">
        <TextInput
          autoFocus
          aria-label="Who agreed that it is shown to others"
          placeholder="who agreed"
          maxLength={120}
          value={by}
          onChange={(e) => setBy(e.target.value)}
        />
        <QuietButton type="submit" disabled={disabled}>
          Keep
        </QuietButton>
      </Flex>
      <Problem says={problem} mt="4px" />
    </Form>
  );
}
