import { type Assembly, type Component } from '@zest/core/job/records/assembly';
import { type ChangeAssembly, renameComponent, withChanges } from './assemblyParts.ts';
import { itemKind } from '@zest/core/pricing/itemKind';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

/** It still has the name that a new component is given. */
const isUnnamed = ({ components }: Assembly, { name }: Component): boolean =>
  components.some((_, at) => name === t('assemblies.component', { place: at + 1 }));

/** What is changed in a component; each says what is wrong, in words. */
export function useComponentEdits(assembly: Assembly, component: Component, change: ChangeAssembly) {
  const { job } = useOpenJob();
  const set = (changed: Partial<Component>): string | undefined =>
    change(t('assemblies.changeAComponent'), {
      components: assembly.components.map((each) =>
        each.key === component.key ? withChanges(each, changed) : each,
      ),
    });
  const rename = (name: string): string | undefined => {
    const changed = renameComponent(assembly, component, name.trim());
    const at = assembly.components.indexOf(component);
    const to = changed.components?.[at]?.key ?? component.key;
    return change(t('assemblies.renameAComponent'), changed, { from: component.key, to });
  };
  const choose = (itemCode: string): string | undefined => {
    const item = [...job.item.values()].find(({ code }) => code === itemCode);
    if (item === undefined || !isUnnamed(assembly, component)) return set({ itemCode });
    // A row nothing was written into yet becomes what was chosen for it.
    const name = item.description.slice(0, 120);
    const changed = { ...assembly, ...renameComponent(assembly, component, name) };
    return change(t('assemblies.priceAComponent'), {
      ...changed,
      components: changed.components.map((each) =>
        each.name === name ? { ...each, itemCode, unit: item.unit, kind: itemKind(item) } : each,
      ),
    });
  };
  return { set, rename, choose };
}
