"use client";

import { Copy } from "lucide-react";
import { Menu, type MenuChoice } from "@/ui/Menu";

/** What can be copied from here. */
export function CopyMenu({ choices }: { choices: readonly MenuChoice[] }) {
  return (
    <Menu
      label="Copy this rig or talent"
      icon={
        <>
          <Copy size={16} aria-hidden /> Copy
        </>
      }
      choices={choices}
    />
  );
}
