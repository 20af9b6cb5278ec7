import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';

/** An address as a code to be held before a camera. */
export function QrCode({ text }: { text: string }) {
  const { data } = useQuery({
    queryKey: ['qr', text],
    queryFn: async () => (await import('qrcode')).default.toString(text, { type: 'svg', margin: 1 }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  if (!data) return null;
  return (
    <chakra.img
      src={`data:image/svg+xml,${encodeURIComponent(data)}`}
      alt="The same link as a code for a camera"
      width="9rem"
      height="9rem"
      bg="white"
      my="1"
    />
  );
}
