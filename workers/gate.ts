/** Something that many wait for until it is opened. */
export interface Gate {
  opens: Promise<void>;
  open: () => void;
}

export function makeGate(): Gate {
  let open = (): void => undefined;
  const opens = new Promise<void>((resolve) => {
    open = resolve;
  });
  return { opens, open };
}
