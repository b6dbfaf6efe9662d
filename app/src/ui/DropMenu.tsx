import { useState, type ReactElement, type ReactNode } from 'react';
import { View } from 'react-native';
import { Menu } from 'react-native-paper';
import { commonText } from '@/language/common';

/** Up and down walk through a menu's items, around its ends. */
function walk(event: { key: string; currentTarget: unknown; preventDefault: () => void }): void {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (!step) return;
  event.preventDefault();
  const items = [
    ...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role=menuitem]'),
  ];
  const at = items.indexOf(document.activeElement as HTMLElement);
  items.at((at + step) % items.length)?.focus();
}

/** A menu that drops from the button that opens it. */
export function DropMenu({
  label,
  anchor,
  children,
}: {
  label: string;
  anchor: (show: () => void) => ReactElement;
  children: (close: () => void) => ReactNode;
}) {
  // null until it is opened for the first time: a menu takes the focus as it is put up.
  const [open, setOpen] = useState<boolean | null>(null);
  const close = (): void => setOpen(false);
  const button = anchor(() => setOpen(true));
  if (open === null) return button;
  return (
    <Menu
      visible={open}
      onDismiss={close}
      anchor={button}
      overlayAccessibilityLabel={commonText.closeMenu}
    >
      {/* It stands beside the page, not in it: a place of its own for who walks by landmarks. */}
      <View role="region" aria-label={label}>
        <View role="menu" aria-label={label} {...({ onKeyDown: walk } as object)}>
          {children(close)}
        </View>
      </View>
    </Menu>
  );
}
