import type { Id } from '../../job/id.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION } from '../../job/measures.ts';
import type { Define } from '../define.ts';
import { pieceNode } from '../graph/nodes.ts';
import { getFace, jobNames } from '../queries/jobNames.ts';
import { compileValue, ruleOf } from '../queries/names.ts';

/** What was typed in the place of a drawn mark: it may read whatever a line may. */
export const definePiece: Define = ({ job }, id) => {
  const piece = job.piece.get(id as Id<'piece'>);
  if (piece === undefined) return [];
  const names = jobNames(job);
  const wanted = MEASURE_DIMENSION[leadingMeasure(getFace(job, piece.scopeId).kind)];
  const node = pieceNode(id);
  return [[node, ruleOf(node, compileValue(piece.text, piece.unit, names, wanted), names)]];
};
