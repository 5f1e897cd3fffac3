"use client";

import { Box } from "@chakra-ui/react";
import type { Schools } from "@keel-round/core/tank";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { Choice, FieldRow, GoButton, Notice, SubHead, TextInput } from "@/kit/controls";
import { Fieldset, Form, Label, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { saveTankAction } from "./actions";

interface SettingsProps {
  readonly tankId: string;
  readonly version: number;
  readonly schools: Schools;
  readonly runningLevelCm: number;
  readonly hasSump: boolean;
  readonly jobs: readonly {
    readonly code: string;
    readonly name: string;
    readonly everyDays: number;
    readonly active: boolean;
  }[];
}

/** Each school in a sentence, where practitioners disagree. */
const SCHOOLS: readonly {
  field: keyof Omit<Schools, "share">;
  label: string;
  options: readonly [value: string, sentence: string][];
}[] = [
  {
    field: "policy",
    label: "How much",
    options: [
      ["fixed-share", "The same share each visit"],
      ["test-led", "Only when a reading asks for it"],
      ["reset", "A large share at once"],
      ["continuous", "In and out together"],
    ],
  },
  {
    field: "how",
    label: "How it is changed",
    options: [
      ["drain-then-fill", "Drain, then fill"],
      ["in-and-out", "In and out together, nothing in air"],
      ["from-sump", "From the sump, display untouched"],
      ["animals-out", "Animals moved out first"],
    ],
  },
  {
    field: "feeding",
    label: "Feeding",
    options: [
      ["before", "A little before the change"],
      ["after", "Sparingly after it"],
      ["by-owner", "By the owner only"],
    ],
  },
  {
    field: "pumpsAtSiphon",
    label: "Pumps while the siphon starts",
    options: [
      ["on", "On: the sump falls first"],
      ["off", "Off"],
    ],
  },
  {
    field: "panels",
    label: "Panes",
    options: [
      ["all", "All"],
      ["viewing", "Viewing panes only"],
      ["leave-one", "Leave one for grazers"],
    ],
  },
  {
    field: "substrate",
    label: "Bed",
    options: [
      ["whole", "Whole each change"],
      ["sectors", "Sectors in turn"],
      ["surface", "Surface only"],
      ["never", "Never"],
      ["bare", "Bare floor"],
    ],
  },
  {
    field: "heater",
    label: "Heater during a change",
    options: [
      ["off", "Off and cooled"],
      ["lowered", "Lowered under the mark"],
      ["in-sump", "In the sump"],
      ["none", "No heater"],
    ],
  },
  {
    field: "outside",
    label: "Outside glass",
    options: [
      ["water", "Water only"],
      ["vinegar", "Dilute vinegar"],
      ["cleaner", "Safe cleaner on the cloth"],
    ],
  },
];

type SettingsForm = Omit<Schools, "share"> & {
  sharePercent: string;
  runningLevelCm: string;
  hasSump: boolean;
  jobs: string[];
};

/** What the desk sets on a tank. A stale save is refused with who changed what; nothing typed is lost. */
export function Settings({ tankId, version, schools, runningLevelCm, hasSump, jobs }: SettingsProps) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [known, setKnown] = useState(version);
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string[]>> } | null>(null);
  const [saved, setSaved] = useState(false);
  const { register, handleSubmit, formState } = useForm<SettingsForm>({
    defaultValues: {
      ...schools,
      sharePercent: String(Math.round(schools.share * 1000) / 10),
      runningLevelCm: String(runningLevelCm),
      hasSump,
      jobs: jobs.filter((j) => j.active).map((j) => j.code),
    },
  });
  const submit = handleSubmit(
    async ({ sharePercent, runningLevelCm: level, hasSump: sump, jobs: active, ...chosen }) => {
      setSaved(false);
      const number = (text: string) => Number(text.replace(",", "."));
      const result = await saveTankAction({
        tankId,
        version: known,
        schools: { ...chosen, share: number(sharePercent) / 100 },
        runningLevelCm: number(level),
        hasSump: sump,
        jobs: active,
      });
      if (!result.ok) return setProblem(result);
      setProblem(null);
      setKnown(result.value.version);
      setSaved(true);
      router.refresh();
    },
  );
  const fieldError = (field: string) => problem?.fields[field]?.[0];
  return (
    <Form method="post" onSubmit={submit} noValidate maxW="980px">
      {problem && (
        <Box role="alert" mb="14px">
          <Notice tone="danger">{problem.message}</Notice>
        </Box>
      )}
      {saved && (
        <Box role="status" mb="14px">
          <Notice tone="plain">Saved. The plan of the next visit follows it.</Notice>
        </Box>
      )}
      <Fieldset disabled={!hydrated} display="flex" gap="36px" flexWrap="wrap" alignItems="flex-start">
        <Box flex="1" minW="280px">
          <SubHead>Schools</SubHead>
          <Box pt="10px">
            <FieldRow label="Share of a change, %" error={fieldError("schools") ?? fieldError("share")}>
              <TextInput inputMode="decimal" {...register("sharePercent")} />
            </FieldRow>
            {SCHOOLS.map((s) => (
              <FieldRow key={s.field} label={s.label} error={fieldError(s.field)}>
                <Choice {...register(s.field)}>
                  {s.options.map(([value, sentence]) => (
                    <option key={value} value={value}>
                      {sentence}
                    </option>
                  ))}
                </Choice>
              </FieldRow>
            ))}
          </Box>
        </Box>
        <Box flex="1" minW="280px">
          <SubHead>Tank</SubHead>
          <Box pt="10px">
            <FieldRow label="Water stands above the floor, cm" error={fieldError("runningLevelCm")}>
              <TextInput inputMode="decimal" {...register("runningLevelCm")} />
            </FieldRow>
            {hasSump && (
              <Label display="flex" gap="8px" mb="14px">
                <input type="checkbox" {...register("hasSump")} /> It has a sump
              </Label>
            )}
          </Box>
          <SubHead>Programme</SubHead>
          <Box pt="8px" pb="14px">
            {jobs.map((j) => (
              <Label key={j.code} display="flex" gap="8px" py="3px">
                <input type="checkbox" value={j.code} {...register("jobs")} />
                <span>
                  {j.name} <Span color="soft">every {j.everyDays} days</Span>
                </span>
              </Label>
            ))}
          </Box>
          <GoButton type="submit" disabled={!hydrated || formState.isSubmitting}>
            {formState.isSubmitting ? "Saving" : "Save"}
          </GoButton>
        </Box>
      </Fieldset>
    </Form>
  );
}
