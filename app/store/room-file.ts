import { plural } from '../../core/quantity/plural';
import type { Room } from '../../core/design/room';
import { download, fileStem } from '../ui/download';
import type { Library } from './library';

/** Hands a room with its tanks to the person as a file. @returns what could not go along, in words */
export async function downloadRoom(library: Library, room: Room): Promise<string[]> {
  const { zip, unreadable, photosLeft } = await library.exportRoom(room);
  download(`${fileStem(room.name)}.terroir.zip`, zip, 'application/zip');
  return [
    ...unreadable.map((name) => `“${name}” cannot be read by this version and is not in the file. It stays here as it is.`),
    ...(photosLeft > 0
      ? [`${plural(photosLeft, 'picture')} of the building, the oldest, would make the file too large: they stay here.`]
      : []),
  ];
}
