import { SettingsCardsScreen } from "@/screens/level/SettingsCardsScreen";

export default function SettingsPage() {
  return <SettingsCardsScreen />;
}
