const fc = require("fast-check");

// The same cases every time, so that a red run is red for everyone; another seed looks elsewhere.
fc.configureGlobal({ seed: Number(process.env.HYPOPHON_SEED ?? 20270511) });

// What is meant to fail need not be told.
process.env.HYPOPHON_LOG ??= "silent";

// The document of component tests works out every rule of every sheet for each element that is asked for; what is hidden is
// hidden by its attribute here, or by its own style.
if (typeof window !== "undefined") {
  // What a browser has and the document of these tests lacks.
  globalThis.TextEncoder ??= require("node:util").TextEncoder;
  globalThis.CSS ??= { escape: (text) => text };
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  window.matchMedia ??= (media) => Object.assign(new EventTarget(), { media, matches: false });
  AbortSignal.timeout ??= () => new AbortController().signal;
  // React notes for each element where it was made, to show it when something fails: a tenth of the time here, read by nobody.
  const { __CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE: own } = require("react");
  Object.defineProperty(own, "recentlyCreatedOwnerStacks", { get: () => Infinity, set() {} });
  const HIDDEN = new Set(["SCRIPT", "STYLE", "TEMPLATE", "HEAD", "NOSCRIPT"]);
  window.getComputedStyle = (element) => {
    const own = element.style;
    const display = element.hidden || HIDDEN.has(element.tagName) ? "none" : own?.display || "block";
    const known = { display, visibility: own?.visibility || "visible" };
    return new Proxy(own ?? {}, {
      get: (style, name) => {
        if (name === "getPropertyValue") return (each) => known[each] ?? own?.getPropertyValue(each) ?? "";
        return known[name] ?? Reflect.get(style, name, style);
      },
    });
  };
}
