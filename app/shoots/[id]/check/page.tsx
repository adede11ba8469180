import { CheckScreen } from "@/screens/check/CheckScreen";

export default function CheckPage() {
  return <CheckScreen />;
}
