import { Box, Flex } from "@chakra-ui/react";
import { type Entity, type Field, type Filter, fieldUnit, sayFilter, testsOf } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { AppLink } from "@/kit/AppLink";
import { Choice, QuietButton, TextInput } from "@/kit/controls";
import { Label, Span } from "@/kit/elements";
import type { LinkOptions } from "@/kit/record/FieldInput";
import { AskPanel } from "./AskPanel";
import { columnFields, type ListAddress, listHref } from "./columns";

/** A list to choose from ends here: what is named is then found by the words of the search. */
const MOST_CHOICES = 200;

/** What is asked of each field. */
export function Filters({
  entity,
  address,
  units,
  options,
}: {
  entity: Entity;
  address: ListAddress;
  units: UnitPreference;
  options: LinkOptions;
}) {
  return (
    <AskPanel entity={entity} address={address} title="Filters" go="Show what fits" asks={(part) => part.includes(".")}>
      {columnFields(entity)
        .filter(
          (f) => testsOf(f).length > 0 && !(f.type.kind === "link" && (options[f.key] ?? []).length > MOST_CHOICES),
        )
        .map((f) => (
          <Box key={f.key} py="4px">
            <Asked field={f} address={address} units={units} options={options} />
          </Box>
        ))}
    </AskPanel>
  );
}

function Asked({
  field,
  address,
  units,
  options,
}: {
  field: Field;
  address: ListAddress;
  units: UnitPreference;
  options: LinkOptions;
}) {
  const { type, key, label } = field;
  const tests = testsOf(field);
  const choices =
    type.kind === "choice"
      ? type.options
      : type.kind === "link"
        ? (options[key] ?? [])
        : type.kind === "yes-no"
          ? ([
              ["yes", "yes"],
              ["no", "no"],
            ] as const)
          : null;
  if (choices) {
    const asked = address[`is.${key}`] ?? "";
    return (
      <Label display="block">
        <Span color="soft" fontSize="13px" fontWeight="620">
          {label}
        </Span>
        <Choice aria-label={`${label} is`} name={`is.${key}`} defaultValue={asked} w="100%">
          <option value="">any</option>
          {choices.map(([value, says]) => (
            <option key={value} value={value}>
              {says}
            </option>
          ))}
        </Choice>
      </Label>
    );
  }
  const unit = fieldUnit(type, units);
  return (
    <Box>
      <Span color="soft" fontSize="13px" fontWeight="620">
        {label}
        {unit && ` (${unit})`}
      </Span>
      <Flex gap="8px" align="baseline">
        {tests.map((test) => (
          <Flex key={test} gap="6px" align="baseline" flex="1">
            {test !== "has" && <Span color="soft">{test}</Span>}
            <TextInput
              name={`${test}.${key}`}
              type={type.kind === "date" ? "date" : "text"}
              inputMode={test === "has" || type.kind === "date" ? undefined : "decimal"}
              placeholder={test === "has" ? "part of it" : undefined}
              aria-label={test === "has" ? `${label} has` : `${label} ${test}`}
              defaultValue={address[`${test}.${key}`] ?? ""}
            />
          </Flex>
        ))}
      </Flex>
    </Box>
  );
}

/** The conditions that hold, each a press away from going. */
export function Conditions({
  entity,
  address,
  filters,
  issues,
  units,
  options,
}: {
  entity: Entity;
  address: ListAddress;
  filters: readonly Filter[];
  issues: Readonly<Record<string, string>>;
  units: UnitPreference;
  options: LinkOptions;
}) {
  const nameOf = (id: string) =>
    Object.values(options)
      .flat()
      .find(([option]) => option === id)?.[1] ?? "one that is gone";
  if (filters.length + Object.keys(issues).length === 0) return null;
  return (
    <Flex gap="8px" wrap="wrap" mb="10px" fontSize="13.5px">
      {filters.map((filter) => {
        const says = sayFilter(filter, units, nameOf);
        return (
          <QuietButton key={`${filter.test}${filter.field.key}`} asChild fontSize="13px" fontWeight="400" py="3px">
            <AppLink
              href={listHref(entity, address, { [`${filter.test}.${filter.field.key}`]: "" })}
              aria-label={`Without: ${says}`}
            >
              {says} ×
            </AppLink>
          </QuietButton>
        );
      })}
      {Object.entries(issues).map(([name, message]) => (
        <Box key={name} role="alert" color="vermilion" fontWeight="600">
          {message}
        </Box>
      ))}
    </Flex>
  );
}
