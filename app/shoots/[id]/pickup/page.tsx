import { Suspense } from "react";
import { PickupScreen } from "@/screens/pickup/PickupScreen";

export default function PickupPage() {
  return (
    <Suspense>
      <PickupScreen />
    </Suspense>
  );
}
