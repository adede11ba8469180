import { ShootsScreen } from "@/screens/shoots/ShootsScreen";
import { actingCrew } from "@/server/door";
import { listShoots } from "@/server/shoots";

export const dynamic = "force-dynamic";

export default async function ShootsPage() {
  const shoots = await listShoots(await actingCrew());
  return <ShootsScreen shoots={shoots} today={new Date().toISOString().slice(0, 10)} />;
}
