import { SignInScreen } from "@/screens/accounts/SignInScreen";

export default function SignInPage() {
  return <SignInScreen />;
}
