import { Sheet } from '../ui/Dialog.tsx';

/** One photo as large as the screen allows. */
export default function PictureSheet({
  title,
  url,
  onClose,
}: {
  title: string;
  url: string;
  onClose: () => void;
}) {
  return (
    <Sheet open onClose={onClose} title={title}>
      <img src={url} alt={title} className="max-h-[70dvh] w-full object-contain" />
    </Sheet>
  );
}
