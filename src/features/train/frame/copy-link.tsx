'use client';

import { Link2 } from 'lucide-react';
import { linkTo } from '../link';
import { useNotice, useTrainStore } from '../use-train';
import { BarButton } from './bar-button';

/** Copies the address of this screen with what is looked at: position, flow, input speed and torque. */
export function CopyLink() {
  const store = useTrainStore();
  const say = useNotice();
  const copy = async () => {
    const { search, leavesOut } = linkTo(store.getState());
    const link = `${location.origin}${location.pathname}${search}`;
    try {
      await navigator.clipboard.writeText(link);
      say(`The link to what is looked at now is copied.${leavesOut ? ` It leaves out ${leavesOut}.` : ''}`);
    } catch {
      say(`This browser lets nothing be copied. The link is ${link}`);
    }
  };
  return (
    <BarButton
      label="Copy a link to this position"
      onPress={() => void copy()}
      icon={<Link2 className="size-4" aria-hidden />}
    />
  );
}
