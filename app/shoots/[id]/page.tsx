import { BoardScreen } from "@/screens/board/BoardScreen";

export default function BoardPage() {
  return <BoardScreen />;
}
