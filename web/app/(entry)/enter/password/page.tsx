import { NewPassword } from "@/places/entry/NewPassword";

export default async function NewPasswordPage({
  searchParams,
}: {
  searchParams: Promise<{ token?: string | string[] }>;
}) {
  const { token } = await searchParams;
  return <NewPassword token={typeof token === "string" ? token : ""} />;
}
