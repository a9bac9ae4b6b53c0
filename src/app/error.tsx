'use client';
export { FailedView as default } from '@/ui/failed-view';
