import { MailedLink } from "@/places/entry/MailedLink";

export default async function MailedLinkPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { token, error } = await searchParams;
  return <MailedLink token={typeof token === "string" && error === undefined ? token : null} />;
}
