import { checkFigures } from '@inner-rung/core/figure';
import { type LibraryParts, libraryOf } from '@inner-rung/core/ladder';

self.onmessage = ({ data }: MessageEvent<LibraryParts>) => {
  self.postMessage(checkFigures(libraryOf(data)));
};
