import { App } from "@/screens/shell/App";

export default function HomePage() {
  return <App />;
}
