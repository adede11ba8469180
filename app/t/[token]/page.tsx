import { App } from "@/screens/shell/App";

export default function Page() {
  return <App />;
}
