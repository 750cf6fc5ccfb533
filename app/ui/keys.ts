/** A shortcut that stands back while someone types, and inside dialogs. */
export function unlessTyping(act: () => void): (event: KeyboardEvent) => void {
  return (event) => {
    const target = event.target as HTMLElement;
    if (
      target.closest('input:not([type=radio]):not([type=checkbox]):not([type=range]), textarea, select, [contenteditable], [role=dialog]')
    )
      return;
    event.preventDefault();
    act();
  };
}

/** The keys that take back and do again, where a page has a history. */
export function historyKeys(undo: () => void, redo: () => void): Record<string, (event: KeyboardEvent) => void> {
  return { '$mod+z': unlessTyping(undo), '$mod+Shift+Z': unlessTyping(redo), '$mod+y': unlessTyping(redo) };
}
