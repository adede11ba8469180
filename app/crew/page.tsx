import { CrewScreen } from "@/screens/accounts/CrewScreen";

export default function CrewPage() {
  return <CrewScreen />;
}
