import { SignIn } from "@/places/entry/SignIn";

export default function SignInPage() {
  return <SignIn />;
}
