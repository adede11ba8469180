import { benchStrangers } from "./bench/benchStrangers";
benchStrangers((process.argv[2] ?? "tune") as never);
