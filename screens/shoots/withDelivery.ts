import { DELIVERY_FORMATS, type ShootBody } from "@/core/records";

/** A shoot's facts with the format that its delivery asks for; one of its own keeps what was chosen. */
export const withDelivery = (body: ShootBody): ShootBody =>
  body.delivery === "own" ? body : { ...body, ...DELIVERY_FORMATS[body.delivery] };
