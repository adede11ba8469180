const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The first groups of a fingerprint, which two screens can be held beside each other by. */
export const shortFingerprint = (fingerprint: string): string => fingerprint.split(":").slice(0, 8).join(" ");

/** How a phone learns to trust this laptop: a page of its own, which needs nothing else. */
export const trustPage = ({
  address,
  fingerprint,
}: {
  address: string;
  fingerprint: string;
}): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this laptop</title>
<style>
:root { color-scheme: light dark; }
body { font: 1.05rem/1.5 system-ui, sans-serif; max-width: 34rem; margin: 0 auto; padding: 1.2rem 1rem 3rem; }
a.big { display: block; margin: 1rem 0; padding: 1rem; border: 2px solid; border-radius: 10px; text-align: center; font-weight: 600; }
code { font-size: 0.95rem; overflow-wrap: anywhere; }
li { margin: 0.4rem 0; }
</style>
<h1>Trust this laptop</h1>
<p>Once per phone. Offline work and the microphone need it.</p>
<a class="big" href="/hypophon-root.crt">1. Get the certificate</a>
<h2>If the phone speaks of a profile</h2>
<ol>
<li>Allow it, then open the phone's settings: the profile waits there. Install it.</li>
<li>In the settings, search for <b>certificate trust</b> and switch it on for Hypophon.</li>
</ol>
<h2>If it saves a file</h2>
<ol>
<li>In the phone's settings, search for <b>CA certificate</b>, then choose the file.</li>
<li>The phone warns that somebody may watch: this certificate can sign for addresses of the local network only.</li>
</ol>
<p>Install it only if the laptop shows these groups too, on its page Crew:</p>
<p><code>${escaped(shortFingerprint(fingerprint))}</code></p>
<a class="big" href="${escaped(address)}">2. Open Hypophon</a>
<p>Without the certificate Hypophon opens after a warning, but not without signal, and without the microphone. Remove it from the phone after the shoot.</p>
</html>
`;
