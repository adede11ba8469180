import { DayScreen } from "@/screens/day/DayScreen";

export default function DayPage() {
  return <DayScreen />;
}
