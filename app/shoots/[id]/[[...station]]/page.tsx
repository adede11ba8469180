import { notFound } from "next/navigation";
import { App } from "@/screens/shell/App";

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Every page of a shoot is the same document: what it shows is found in the browser, from what this device has. */
export default async function ShootPage({ params }: { params: Promise<{ id: string; station?: string[] }> }) {
  const { id, station = [] } = await params;
  if (!UUID.test(id) || station.length > 1) notFound();
  return <App />;
}
