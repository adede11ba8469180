import { LevelScreen } from "@/screens/level/LevelScreen";

export default function LevelPage() {
  return <LevelScreen />;
}
