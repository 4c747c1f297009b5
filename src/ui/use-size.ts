'use client';

import { useEffect, useState, type RefObject } from 'react';
import { required } from '@/core/required';

/** The size of an element in whole pixels as it is now, for drawings that fill it; nothing until it is known. */
export function useSize(place: RefObject<Element | null>): { readonly width: number; readonly height: number } | null {
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = required(entry).contentRect;
      setSize({ width: Math.floor(width), height: Math.floor(height) });
    });
    observer.observe(required(place.current));
    return () => observer.disconnect();
  }, [place]);
  return size;
}
