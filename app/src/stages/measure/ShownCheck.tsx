import { useSetView, useView } from '../../stores/context.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';

/** Shows or hides what has this id: a section, a zone. */
export function ShownCheck({ id, name }: { readonly id: string; readonly name: string }) {
  const hidden = useView((state) => state.hidden);
  const setView = useSetView();
  const toggle = (): void =>
    setView(({ hidden: before }) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return { hidden: next, alone: undefined };
    });
  return (
    <Checkbox className="cut" checked={!hidden.has(id)} onChange={toggle}>
      {' '}
      {name}
    </Checkbox>
  );
}
