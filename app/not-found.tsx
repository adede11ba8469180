import Link from "next/link";

export default function NotFound() {
  return (
    <main>
      <h1>This page does not exist</h1>
      <p>
        The shoot may have been deleted. <Link href="/">Back to the shoots</Link>
      </p>
    </main>
  );
}
