/** Every record says what it is in its id: `mark:k3f9q2`. */
export type RecordType =
  | 'settings'
  | 'file'
  | 'sheet'
  | 'section'
  | 'scope'
  | 'mark'
  | 'opening'
  | 'piece'
  | 'level'
  | 'zone'
  | 'schedule'
  | 'quantity'
  | 'table'
  | 'difficulty'
  | 'assembly'
  | 'use'
  | 'craft'
  | 'item'
  | 'line'
  | 'markup'
  | 'crew'
  | 'region'
  | 'adjustment'
  | 'override'
  | 'alternate'
  | 'package'
  | 'quote'
  | 'yardstick'
  | 'textBlock'
  | 'logo'
  | 'companyCopy'
  | 'report'
  | 'document'
  | 'version'
  | 'request'
  | 'offer'
  | 'purchaseOrder'
  | 'stock'
  | 'acceptance';

export type Id<Type extends RecordType = RecordType> = `${Type}:${string}`;

export type MakeId = <Type extends RecordType>(type: Type) => Id<Type>;

const ALPHABET = '0123456789abcdefghjkmnpqrstvwxyz';
const LENGTH = 10;

/** The one maker of ids. `random` gives numbers in [0, 1); the caller owns the source of chance. */
export function createIdMaker(random: () => number): MakeId {
  return (type) => {
    let text = '';
    for (let i = 0; i < LENGTH; i += 1) text += ALPHABET.charAt(Math.floor(random() * ALPHABET.length));
    return `${type}:${text}`;
  };
}
