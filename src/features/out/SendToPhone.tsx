'use client';
import { QRCodeSVG } from 'qrcode.react';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { useToasts } from '@/ui/toasts';

/** Names under which only this machine is reached: a phone that reads them finds itself. */
const OWN = /^(localhost|127\.|\[::1\])/;

/** The link that packs an outing into a phone, as a code to be read by its camera. */
export function SendToPhone({
  open,
  onOpen,
  outingId,
  planId,
}: {
  open: boolean;
  onOpen: (open: boolean) => void;
  outingId: string;
  /** which plan; left out: the one changed last */
  planId?: string;
}) {
  const say = useToasts((t) => t.say);
  const [origin, setOrigin] = useState('');
  useEffect(() => setOrigin(window.location.origin), []);
  const path = `/out?outing=${outingId}${planId ? `&plan=${planId}` : ''}`;
  const link = origin + path;
  const own = OWN.test(origin.replace(/^https?:\/\//, ''));
  return (
    <Sheet open={open} onOpen={onOpen} title="Send to phone" width={460}>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        {/* Black on white whatever the theme: that is what cameras read. */}
        <QRCodeSVG
          value={link}
          size={190}
          marginSize={2}
          bgColor="#ffffff"
          fgColor="#000000"
          title={`Code of ${link}`}
        />
        <div className="min-w-[190px] flex-1">
          <p>
            Read it with the phone’s camera. The link packs the outing there: plan, clothes, you, the forecast with its
            spread, and the screen itself. From then on it needs no network.
          </p>
          <p className="mt-2 flex flex-wrap gap-2">
            <Button onClick={() => void navigator.clipboard?.writeText(link).then(() => say('Link copied'))}>
              Copy the link
            </Button>
            <a href={path} className="inline-flex items-center font-semibold underline">
              Open it here
            </a>
          </p>
        </div>
      </div>
      <p className="mt-2 text-[12.5px] break-all text-ink-2">{link}</p>
      {own && (
        <p className="mt-2 border-l-[3px] border-act pl-2">
          This address reaches this machine only. For a phone, put the application behind an https address and name it
          in EMBER_HOSTS (README, “On a phone”); then open this page under that address.
        </p>
      )}
      <p className="mt-2 text-[12.5px] text-ink-2">
        On the phone, “Add to home screen” keeps it beside your other applications. A forecast ages: send it again on
        the morning you go.
      </p>
    </Sheet>
  );
}
