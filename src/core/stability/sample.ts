/** A reading in time. `value` is null where the instrument sent nothing that counts (a fault, a lost frame). */
export interface Sample {
  seconds: number;
  value: number | null;
}
