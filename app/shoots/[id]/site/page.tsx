import { Suspense } from "react";
import { SiteSheet } from "@/screens/scout/SiteSheet";

export default function SitePage() {
  return (
    <Suspense>
      <SiteSheet />
    </Suspense>
  );
}
