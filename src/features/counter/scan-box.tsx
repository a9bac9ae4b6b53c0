'use client';
import { useCallback, useEffect, useId, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { SCANNED, ScanGuard } from '@/ui/scan-guard';
import { useKeys } from '@/ui/use-keys';
import '@/core/words/en/find';
import { findAnythingAction, scanAction } from './actions';
import { CameraScan } from './camera-scan';
import { FoundList } from './found-list';
import { useSearch } from '@/platform/client/use-search';

/** One field, one key away: a code that is scanned or typed leads there at once; anything else is looked for while it is typed, and chosen by arrow keys. */
export function ScanBox() {
  const router = useRouter();
  const list = useId();
  const field = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [text, setText] = useState('');
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState(-1);
  const { hits, searched } = useSearch(
    open ? text : '',
    useCallback((typed: string) => findAnythingAction({ text: typed }), []),
  );
  const flat = hits.flatMap((group) => group.hits);
  useKeys({ '/': () => field.current?.focus() });
  const close = () => {
    setOpen(false);
    setChosen(-1);
  };
  const leave = (href: string) => {
    setText('');
    close();
    field.current?.blur();
    router.push(href);
  };
  const look = async (typed: string) => {
    if (!typed) return;
    setBusy(true);
    const result = await attempt(() => scanAction({ text: typed }));
    setBusy(false);
    if (!result.ok || !result.value) return;
    // No code: what was found while typing goes before a list of instruments that has none of it.
    const best = result.value.startsWith('/assets?') && !hits.some((one) => one.group === 'instruments') ? flat[0] : undefined;
    leave(best?.href ?? result.value);
  };
  const go = (event: React.FormEvent) => {
    event.preventDefault();
    const hit = flat[chosen];
    if (hit) leave(hit.href);
    else void look(text.trim());
  };
  const latest = useRef(look);
  useEffect(() => {
    latest.current = look;
  });
  useEffect(() => {
    const scanned = (event: Event) => void latest.current((event as CustomEvent<string>).detail);
    window.addEventListener(SCANNED, scanned);
    return () => window.removeEventListener(SCANNED, scanned);
  }, []);
  const move = (event: React.KeyboardEvent) => {
    if (event.key === 'Escape') close();
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step || flat.length === 0) return;
    event.preventDefault();
    // One place before the first is the field itself: what is typed is then looked up as a code.
    setChosen((before) => ((before + 1 + step + flat.length + 1) % (flat.length + 1)) - 1);
  };
  return (
    <form
      className="scan"
      role="search"
      onSubmit={go}
      data-takes-scan
      onBlur={({ currentTarget, relatedTarget }) => {
        if (!currentTarget.contains(relatedTarget)) close();
      }}
    >
      <ScanGuard />
      <input
        ref={field}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setOpen(true);
          setChosen(-1);
        }}
        onFocus={() => setOpen(true)}
        onKeyDown={move}
        role="combobox"
        aria-expanded={open && searched !== ''}
        aria-controls={list}
        aria-activedescendant={chosen >= 0 ? `${list}-${chosen}` : undefined}
        aria-autocomplete="list"
        autoComplete="off"
        aria-label={say({ code: 'find.field' })}
        placeholder={say({ code: busy ? 'find.looking' : 'find.field' })}
      />
      <kbd aria-hidden>/</kbd>
      {open && searched !== '' && <FoundList id={list} groups={hits} chosen={chosen} typed={searched} go={leave} />}
      <CameraScan onCode={(code) => void look(code)} />
    </form>
  );
}
