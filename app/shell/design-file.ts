import type { DesignFile } from '../../core/design/document';
import type { TankView } from '../store/tank-view';
import { usedIds } from '../store/used-ids';
import { download, fileStem } from '../ui/download';

/** Hands the open design to the person as a file, with its room and every catalogue entry it uses. */
export function exportDesign(view: TankView): void {
  const [design, room, catalogue] = [view.design(), view.room(), view.catalogue()];
  if (!design || !room || !catalogue) return;
  const entries = usedIds(design).flatMap((id) => {
    const entry = catalogue.organisms.get(id);
    return entry ? [JSON.parse(JSON.stringify(entry)) as never] : [];
  });
  const file: DesignFile = { terroir: 'design', design, room, cited: { catalogue: catalogue.edition, entries } };
  download(`${fileStem(design.name)}.terroir.json`, JSON.stringify(file, null, 2));
}
