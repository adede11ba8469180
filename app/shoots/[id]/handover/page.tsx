import { StationNote } from "@/screens/stations/StationNote";

export default function HandOverPage() {
  return <StationNote station="handover" />;
}
