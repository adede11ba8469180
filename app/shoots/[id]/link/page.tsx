import { LinkScreen } from "@/screens/link/LinkScreen";

export default function LinkPage() {
  return <LinkScreen />;
}
