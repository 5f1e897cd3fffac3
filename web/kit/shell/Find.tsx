"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { TextInput } from "@/kit/controls";
import { Button, Dialog, Span } from "@/kit/elements";
import { Kbd } from "@/kit/shell/Kbd";
import { useHydrated } from "@/kit/useHydrated";
import { dayLabel } from "@/kit/words";

interface Hit {
  readonly entity: string;
  readonly id: string;
  readonly title: string;
  readonly detail: string;
  readonly href: string;
}

const PAUSE_MS = 120;

/** Finds anything by `/`: type part of a name, in any order, with a slip or two; arrows choose, Enter opens. */
export function Find() {
  const hydrated = useHydrated();
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [text, setText] = useState("");
  const [hits, setHits] = useState<readonly Hit[]>([]);
  const [asked, setAsked] = useState("");
  const [at, setAt] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);

  useEffect(() => {
    if (text.trim() === "") return;
    const stop = new AbortController();
    const timer = setTimeout(async () => {
      try {
        const answer = await fetch(`/api/find?q=${encodeURIComponent(text)}`, { signal: stop.signal });
        if (!answer.ok) return setProblem("The search did not answer. Try again.");
        setProblem(null);
        setHits(((await answer.json()) as { hits: Hit[] }).hits);
        setAsked(text);
        setAt(0);
      } catch (error) {
        // A newer question took its place.
        if ((error as Error).name !== "AbortError")
          setProblem("There is no network. The round of today is on this phone.");
      }
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [text]);

  const shown = text.trim() === "" ? [] : hits;
  const open = (href: string) => {
    dialog.current?.close();
    setText("");
    router.push(href);
  };
  const keys = (event: KeyboardEvent) => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (step !== 0) {
      event.preventDefault();
      setAt(Math.min(shown.length - 1, Math.max(0, at + step)));
    }
    const chosen = shown[at];
    // Only what was found for what is typed now: a quick Enter must not open an older answer.
    if (event.key === "Enter" && chosen && asked === text) {
      event.preventDefault();
      open(chosen.href);
    }
  };
  return (
    <>
      <Button
        type="button"
        disabled={!hydrated}
        data-key="find"
        display="inline-flex"
        gap="6px"
        minH="40px"
        alignItems="center"
        cursor="pointer"
        onClick={() => dialog.current?.showModal()}
      >
        <Box display={{ base: "none", md: "inline" }}>
          <Kbd>/</Kbd>
        </Box>
        find
      </Button>
      <Dialog
        ref={dialog}
        aria-label="Find anything"
        w="min(620px, 94vw)"
        mx="auto"
        mt="9vh"
        p="14px"
        bg="sheet"
        color="ink"
        borderWidth="1px"
        borderColor="ruleStrong"
        rounded="s"
        boxShadow="0 8px 30px rgb(0 0 0 / 0.22)"
        onClick={(e) => e.target === dialog.current && dialog.current?.close()}
      >
        <TextInput
          // Not of type search: there Escape empties the box first, and here it closes.
          inputMode="search"
          role="combobox"
          aria-label="Find a client, site, tank, animal, equipment, visit or letter"
          aria-expanded={shown.length > 0}
          aria-controls="found"
          aria-activedescendant={shown[at] ? `found-${at}` : undefined}
          placeholder="client, site, tank, animal, equipment, letter"
          autoComplete="off"
          autoFocus
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={keys}
        />
        <Box
          id="found"
          role="listbox"
          aria-label="Found"
          mt={shown.length > 0 ? "8px" : 0}
          maxH="60vh"
          overflowY="auto"
        >
          {shown.map((hit, i) => (
            <Flex
              key={`${hit.entity}${hit.id}`}
              id={`found-${i}`}
              role="option"
              aria-selected={i === at}
              gap="12px"
              align="baseline"
              minH="40px"
              py="7px"
              px="10px"
              pl={hit.entity === "visit" ? "30px" : "10px"}
              cursor="pointer"
              bg={i === at ? "corallineWash" : "transparent"}
              borderLeftWidth="3px"
              borderColor={i === at ? "coralline" : "transparent"}
              onMouseMove={() => setAt(i)}
              onClick={() => open(hit.href)}
            >
              <Span fontWeight="600">{hit.entity === "visit" ? dayLabel(hit.title) : hit.title}</Span>
              <Span color="soft" fontSize="13.5px">
                {hit.detail}
              </Span>
            </Flex>
          ))}
        </Box>
        <Box role="status" color="soft" fontSize="13.5px" mt="8px">
          {problem ??
            (text.trim() !== "" && asked === text && shown.length === 0
              ? `Nothing is called “${text.trim()}”, even with a letter or two wrong.`
              : "")}
        </Box>
      </Dialog>
    </>
  );
}
