"use client";

import { Smartphone } from "lucide-react";
import { useState } from "react";
import type { Stored } from "@/core/records";
import { askTalentLink, linkOf, Refused } from "@/data/server";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { later } from "@/ui/later";
import { showToast } from "@/ui/toasts";

const LinkCode = later(() => import("../accounts/LinkCode").then((module) => module.LinkCode));

/** A link by which the talent reads the placement and answers on their own phone. */
export function ByThemselves({ rig }: { rig: Stored<"rig"> }) {
  const [link, setLink] = useState<string | null>(null);
  const make = async () => {
    try {
      setLink(linkOf(await askTalentLink(rig.body.shootId, rig.id), "/t/"));
    } catch (error) {
      showToast({ says: error instanceof Refused ? say(error.says) : "A link needs the server, which is away." });
    }
  };
  return (
    <div>
      <Button onPress={() => void make()}>
        <Smartphone size={18} aria-hidden /> Let them answer on their phone
      </Button>
      <Dialog title="Their own card" isOpen={link !== null} onClose={() => setLink(null)}>
        {link && (
          <LinkCode link={link} says="It shows this placement only, for 14 days. A link made before works no more." />
        )}
      </Dialog>
    </div>
  );
}
