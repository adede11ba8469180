/** The eight stations in the order of the work. */
export const STATION_IDS = ["scout", "pickup", "dress", "link", "level", "roll", "check", "handover"] as const;
export type StationId = (typeof STATION_IDS)[number];

export interface Station {
  id: StationId;
  name: string;
  question: string;
}

export const STATIONS: Record<StationId, Station> = {
  scout: { id: "scout", name: "Scout", question: "What will the place do to the voice?" },
  pickup: { id: "pickup", name: "Pickup", question: "Which microphone, pattern, distance, angle?" },
  dress: { id: "dress", name: "Dress", question: "Where on this person, in this outfit, and how held?" },
  link: { id: "link", name: "Link", question: "Which frequencies, how paired, which lead?" },
  level: { id: "level", name: "Level", question: "What do I set?" },
  roll: { id: "roll", name: "Roll", question: "What did we record?" },
  check: { id: "check", name: "Check", question: "Is it any good?" },
  handover: { id: "handover", name: "Hand over", question: "How does it reach the edit?" },
};
