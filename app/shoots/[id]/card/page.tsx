import { CardScreen } from "@/screens/dress/CardScreen";

export default function CardPage() {
  return <CardScreen />;
}
