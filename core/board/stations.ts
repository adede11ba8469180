/** The eight stations in the order of the work. */
export const STATION_IDS = ["scout", "pickup", "dress", "link", "level", "roll", "check", "handover"] as const;
export type StationId = (typeof STATION_IDS)[number];

export interface Station {
  id: StationId;
  name: string;
}

export const STATIONS: Record<StationId, Station> = {
  scout: { id: "scout", name: "Scout" },
  pickup: { id: "pickup", name: "Pickup" },
  dress: { id: "dress", name: "Dress" },
  link: { id: "link", name: "Link" },
  level: { id: "level", name: "Level" },
  roll: { id: "roll", name: "Roll" },
  check: { id: "check", name: "Check" },
  handover: { id: "handover", name: "Hand over" },
};
