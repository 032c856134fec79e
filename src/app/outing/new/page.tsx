import { NewOuting } from '@/features/outing/NewOuting';

export default function Page() {
  return <NewOuting />;
}
