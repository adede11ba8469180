import { TalentScreen } from "@/screens/accounts/TalentScreen";

export default async function TalentPage({ params }: { params: Promise<{ token: string }> }) {
  return <TalentScreen token={(await params).token} />;
}
