"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, FieldRow, GoButton, Notice, TextInput } from "@/kit/controls";
import { Fieldset, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { inviteAction } from "./actions";

/** Adds a person: their way in goes to them by mail. */
export function Invite({ clients }: { clients: readonly { readonly id: string; readonly name: string }[] }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [role, setRole] = useState("technician");
  const [fields, setFields] = useState<Readonly<Record<string, readonly string[]>>>({});
  const [told, setTold] = useState<{ readonly problem: boolean; readonly says: string } | null>(null);
  const invite = async (form: HTMLFormElement) => {
    const typed = Object.fromEntries(new FormData(form)) as Record<string, string>;
    const answer = await answered(inviteAction({ ...typed, clientId: typed.clientId ?? null }));
    setFields(answer.ok ? {} : answer.fields);
    if (answer.ok) {
      form.reset();
      setRole("technician");
      setTold({ problem: false, says: `A way in is on its way to ${typed.email ?? ""}.` });
      router.refresh();
    } else setTold(Object.keys(answer.fields).length > 0 ? null : { problem: true, says: answer.message });
  };
  return (
    <Form
      method="post"
      noValidate
      pt="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void invite(e.currentTarget);
      }}
    >
      <Fieldset disabled={!hydrated}>
        <FieldRow label="Name" error={fields.name?.[0]}>
          <TextInput name="name" autoComplete="off" aria-invalid={fields.name ? true : undefined} />
        </FieldRow>
        <FieldRow label="E-mail" error={fields.email?.[0]}>
          <TextInput name="email" type="email" autoComplete="off" aria-invalid={fields.email ? true : undefined} />
        </FieldRow>
        <FieldRow label="What they do" error={fields.role?.[0]}>
          <Choice name="role" value={role} onChange={(e) => setRole(e.currentTarget.value)}>
            <option value="technician">technician</option>
            <option value="lead">lead</option>
            <option value="office">office</option>
            <option value="tankOwner">owner of tanks</option>
          </Choice>
        </FieldRow>
        {role === "tankOwner" && (
          <FieldRow label="Whose tanks" error={fields.clientId?.[0]}>
            <Choice name="clientId">
              {clients.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
            </Choice>
          </FieldRow>
        )}
        <GoButton type="submit">Add and mail a way in</GoButton>
      </Fieldset>
      {told && (
        <Box role="alert" mt="10px">
          <Notice tone={told.problem ? "danger" : "plain"}>{told.says}</Notice>
        </Box>
      )}
    </Form>
  );
}
