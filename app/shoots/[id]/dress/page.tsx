import { DressScreen } from "@/screens/dress/DressScreen";

export default function DressPage() {
  return <DressScreen />;
}
