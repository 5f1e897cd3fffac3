import { connection } from "next/server";
import { mayBegin } from "@/data/firm/begin";
import { SignIn } from "@/places/entry/SignIn";

export default async function SignInPage() {
  await connection();
  return <SignIn first={await mayBegin(null)} />;
}
