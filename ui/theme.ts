"use client";

import { createGlobalStyle, css } from "styled-components";

/** Threads that tell wearers apart; each goes with a stitch pattern of the same index. */
export const THREAD_COLOURS = ["madder", "indigo", "moss", "ochre", "plum", "teal", "umber", "slate"] as const;

export const day = css`
  color-scheme: light;
  --cloth: #ece5d6;
  --paper: #fbf8f0;
  --paper-deep: #f3ecdd;
  --ink: #221f1a;
  --ink-soft: #5a5347;
  --seam: #a99d86;
  --seam-soft: #d5cab4;
  --chalk: #17557f;
  --chalk-soft: #d9e5ec;
  --on-chalk: #ffffff;
  --good: #2b6236;
  --warn: #7d5000;
  --bad: #98291b;
  --shade: rgb(34 31 26 / 0.45);
  --madder: #9c3424;
  --indigo: #27508f;
  --moss: #4c6a1f;
  --ochre: #8b5c00;
  --plum: #7a3472;
  --teal: #12696b;
  --umber: #6d4a2f;
  --slate: #4a5661;
  --cloth-0: #d8e2e4;
  --cloth-1: #dcc9a6;
  --cloth-2: #b9c7a4;
  --cloth-3: #cdb4ae;
`;

export const dark = css`
  color-scheme: dark;
  --cloth: #111416;
  --paper: #1a1f22;
  --paper-deep: #22292d;
  --ink: #d3cfc3;
  --ink-soft: #a29d90;
  --seam: #5b646a;
  --seam-soft: #343c41;
  --chalk: #8db4cf;
  --chalk-soft: #22333e;
  --on-chalk: #10161a;
  --good: #93bd92;
  --warn: #d1ad68;
  --bad: #dd9c6c;
  --shade: rgb(0 0 0 / 0.6);
  --madder: #d98f76;
  --indigo: #8fabdf;
  --moss: #a5bf74;
  --ochre: #d3ad5e;
  --plum: #cd97c5;
  --teal: #74bdbb;
  --umber: #c2a083;
  --slate: #a3b0bb;
  --cloth-0: #3d4a50;
  --cloth-1: #564a35;
  --cloth-2: #40503a;
  --cloth-3: #523f3c;
`;

export const GlobalStyle = createGlobalStyle`
  :root { ${day} --hit: 44px; --row: 52px; --bar: 48px; }
  @media screen and (pointer: fine) {
    :root { --hit: 32px; --row: 38px; font-size: 87.5%; }
  }
  :root[data-ground="dark"] { ${dark} }
  *, *::before, *::after { box-sizing: border-box; }
  /* What has focus is not hidden under what stays in sight. */
  html { -webkit-text-size-adjust: 100%; scroll-padding-top: calc(var(--bar) + 0.5rem); }
  html:has([data-in-sight]) { scroll-padding-top: calc(var(--bar) + 7rem); }
  body {
    margin: 0;
    background: var(--cloth);
    color: var(--ink);
    font-family: "Work Sans Variable", sans-serif;
    font-size: 1rem;
    line-height: 1.45;
    font-variant-numeric: tabular-nums lining-nums;
  }
  h1, h2, h3 {
    font-family: "Fraunces Variable", serif;
    font-weight: 600;
    line-height: 1.15;
    margin: 0;
    text-wrap: balance;
  }
  h1 { font-size: 1.6rem; }
  h2 { font-size: 1.2rem; }
  h3 { font-size: 1rem; }
  p { margin: 0; }
  a { color: var(--chalk); text-underline-offset: 0.2em; }
  :focus-visible { outline: 3px solid var(--chalk); outline-offset: 2px; }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { transition: none !important; animation: none !important; scroll-behavior: auto !important; }
  }
`;
