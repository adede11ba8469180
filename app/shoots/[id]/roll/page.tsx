import { StationNote } from "@/screens/stations/StationNote";

export default function RollPage() {
  return <StationNote station="roll" />;
}
