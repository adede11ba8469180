import { ScoutScreen } from "@/screens/scout/ScoutScreen";

export default function ScoutPage() {
  return <ScoutScreen />;
}
