/** Speech of one voice: sentences at 48 kHz, each with its loudest sample near full scale. */
export interface Voice {
  name: string;
  isReal: boolean;
  sentences: readonly Float32Array[];
}
