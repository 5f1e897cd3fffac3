import { Box } from "@chakra-ui/react";
import { LATELY } from "@/data/access/anew";
import { pageIsRecent, pageScope } from "@/data/access/pageScope";
import { AUDIT_LINES, auditLines } from "@/data/privacy/auditLines";
import { retentionOf } from "@/data/privacy/retention";
import { PageHead } from "@/kit/controls";
import { SignInFirst } from "@/kit/entry/SignInFirst";
import { DeskNav } from "@/places/desk/DeskNav";
import { AuditTable } from "@/places/people/AuditTable";
import { RetentionForm } from "@/places/people/RetentionForm";

/** Who came in, looked at codes and took data out, and for how long that is kept. */
export default async function AuditPage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  const scope = await pageScope(["office"]);
  const head = (
    <>
      <DeskNav here="audit" scope={scope} />
      <PageHead title="Who came in" facts="and who looked at door codes or took data out" />
    </>
  );
  if (!(await pageIsRecent(LATELY)))
    return (
      <Box>
        {head}
        <SignInFirst what="Here stands who came in from where." />
      </Box>
    );
  const before = new Date(Number((await searchParams).before) || Date.now() + 60_000);
  const [lines, retention] = await Promise.all([auditLines(scope, before), retentionOf(scope)]);
  return (
    <Box>
      {head}
      <AuditTable lines={lines.slice(0, AUDIT_LINES)} more={lines.length > AUDIT_LINES} zone={scope.zone} />
      <RetentionForm retention={retention} />
    </Box>
  );
}
