import { Box } from "@chakra-ui/react";
import { GoButton, Notice } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { EntryFrame } from "./EntryFrame";

/**
 * Where the mailed link of an owner of tanks leads. The link itself changes nothing: programs that look at mail open
 * links too, and it works once. The button goes in, with or without script.
 */
export function MailedLink({ token }: { token: string | null }) {
  if (token === null)
    return (
      <EntryFrame title="This link is over">
        <Notice tone="care">A mailed link works once, for an hour.</Notice>
        <Box mt="14px">
          <A href="/sign-in" color="coralline" textDecoration="underline">
            Ask for another one
          </A>
        </Box>
      </EntryFrame>
    );
  return (
    <EntryFrame title="Your tanks">
      <Form method="get" action="/api/auth/magic-link/verify">
        <input type="hidden" name="token" value={token} />
        <input type="hidden" name="callbackURL" value="/owner" />
        <input type="hidden" name="errorCallbackURL" value="/enter/link" />
        <GoButton type="submit" w="100%" py="11px">
          Go to your tanks
        </GoButton>
      </Form>
    </EntryFrame>
  );
}
