import { StationNote } from "@/screens/stations/StationNote";

export default function PickupPage() {
  return <StationNote station="pickup" />;
}
