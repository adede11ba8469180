import { StationNote } from "@/screens/stations/StationNote";

export default function LinkPage() {
  return <StationNote station="link" />;
}
