import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { Suspense, cache, type ReactNode } from "react";
import { ShootProvider } from "@/screens/saving/ShootProvider";
import { ShootShell } from "@/screens/shell/ShootShell";
import { actingCrew } from "@/server/door";
import { Fault } from "@/server/faults";
import { loadShoot } from "@/server/shoots";

export const dynamic = "force-dynamic";

interface Props {
  params: Promise<{ id: string }>;
  children: ReactNode;
}

const load = cache(async (id: string) => {
  try {
    return await loadShoot(await actingCrew(), id);
  } catch (error) {
    if (error instanceof Fault && error.code === "missing") notFound();
    throw error;
  }
});

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await load((await params).id)).shoot.body.title };
}

export default async function ShootLayout({ params, children }: Props) {
  const bundle = await load((await params).id);
  return (
    <ShootProvider key={bundle.shoot.id} bundle={bundle}>
      <Suspense>
        <ShootShell>{children}</ShootShell>
      </Suspense>
    </ShootProvider>
  );
}
