"use client";

import { Box } from "@chakra-ui/react";
import { figuresOf, type LetterPhoto, type LetterText } from "@keel-round/core/letter";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { LetterPicture } from "@/data/letters/images";
import { answered } from "@/kit/answered";
import { FieldRow, GoButton, Problem, QuietButton, TextArea, TextInput } from "@/kit/controls";
import { B, Form, Span } from "@/kit/elements";
import { editLetterAction } from "./actions";
import { LetterPhotos } from "./LetterPhotos";

type Tanks = readonly (LetterText["tanks"][number] & { readonly name: string })[];

const joined = (paragraphs: readonly string[]): string => paragraphs.join("\n\n");
const parted = (text: string): string[] =>
  text
    .split(/\n\s*\n/)
    .map((p) => p.replaceAll(/\s*\n\s*/g, " ").trim())
    .filter((p) => p !== "");

/** The words of a letter in their fields; its figures stay what was logged, and stand beside each field. */
export function EditLetter({
  letterId,
  text,
  pictures,
  was,
  onDone,
}: {
  letterId: string;
  text: Omit<LetterText, "tanks"> & { readonly tanks: Tanks; readonly photos?: readonly LetterPhoto[] };
  pictures: readonly LetterPicture[];
  was: string | null;
  onDone: () => void;
}) {
  const router = useRouter();
  const [greeting, setGreeting] = useState(text.greeting);
  const [close, setClose] = useState(text.close);
  const [tanks, setTanks] = useState(text.tanks.map((t) => ({ body: joined(t.body), until: joined(t.until) })));
  const [photos, setPhotos] = useState<readonly LetterPhoto[]>(text.photos ?? []);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const type = (i: number, change: Partial<(typeof tanks)[number]>) =>
    setTanks((all) => all.map((t, at) => (at === i ? { ...t, ...change } : t)));
  const save = async () => {
    setBusy(true);
    const said = tanks.map((t) => ({ body: parted(t.body), until: parted(t.until) }));
    const answer = await answered(
      editLetterAction({ letterId, was, greeting, tanks: said, close, photos: [...photos] }),
    );
    setBusy(false);
    setProblem(answer.ok ? null : answer.message);
    if (!answer.ok) return;
    onDone();
    router.refresh();
  };
  return (
    <Form
      mt="16px"
      maxW="820px"
      data-editing=""
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <FieldRow label="Greeting">
        <TextInput value={greeting} maxLength={120} onChange={(e) => setGreeting(e.target.value)} />
      </FieldRow>
      {text.tanks.map((t, i) => (
        <Box key={t.name} mt="14px">
          {text.tanks.length > 1 && <B>{t.name}</B>}
          <Words
            label={`What was done${text.tanks.length > 1 ? `, ${t.name}` : ""}`}
            value={tanks[i]?.body ?? ""}
            logged={joined(t.body)}
            onType={(body) => type(i, { body })}
          />
          <Words
            label={`Until the next visit${text.tanks.length > 1 ? `, ${t.name}` : ""}`}
            value={tanks[i]?.until ?? ""}
            logged={joined(t.until)}
            onType={(until) => type(i, { until })}
          />
        </Box>
      ))}
      <Words label="How it ends" value={close} logged={text.close} onType={setClose} />
      {pictures.length > 0 && <LetterPhotos pictures={pictures} chosen={photos} onChoose={setPhotos} />}
      <Problem says={problem} mt="8px" />
      <Box mt="10px">
        <GoButton type="submit" disabled={busy}>
          Save these words
        </GoButton>{" "}
        <QuietButton type="button" onClick={onDone}>
          Leave it as it was
        </QuietButton>
      </Box>
    </Form>
  );
}

function Words({
  label,
  value,
  logged,
  onType,
}: {
  label: string;
  value: string;
  logged: string;
  onType: (text: string) => void;
}) {
  const figures = [...new Set(figuresOf(logged))];
  return (
    <FieldRow label={label}>
      <TextArea
        rows={Math.min(12, 2 + Math.ceil(value.length / 90))}
        value={value}
        onChange={(e) => onType(e.target.value)}
      />
      {figures.length > 0 && (
        <Box mt="4px" fontSize="13.5px" color="soft" data-figures="">
          From the log, and not to be changed:{" "}
          {figures.map((f) => (
            <Span key={f} fontFamily="mono" bg="corallineWash" px="6px" mr="5px">
              {f}
            </Span>
          ))}
        </Box>
      )}
    </FieldRow>
  );
}
