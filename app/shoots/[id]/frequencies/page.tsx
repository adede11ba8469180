import { FrequencyCards } from "@/screens/link/FrequencyCards";

export default function FrequenciesPage() {
  return <FrequencyCards />;
}
