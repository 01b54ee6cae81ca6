import { X } from 'lucide-react';
import { useState } from 'react';
import { remove } from '@zest/core/job/change';
import { inOrder } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import type { Use } from '@zest/core/job/records/use';
import { AssemblyChoice } from './AssemblyChoice.tsx';
import { UseAnswers } from '../assemblies/UseAnswers.tsx';
import { useJobActions, useOpenJob } from '../../stores/context.tsx';

/** The assemblies applied to the scope, and the next one. */
export function ScopeUses({ scope }: { readonly scope: Scope }) {
  const { job } = useOpenJob();
  const uses = inOrder([...job.use.values()].filter((use) => use.scopeId === scope.id));
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      {uses.map((use) => (
        <UseBox key={use.id} use={use} />
      ))}
      <AssemblyChoice scope={scope} />
    </div>
  );
}

function UseBox({ use }: { readonly use: Use }) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const [open, setOpen] = useState(false);
  const assembly = job.assembly.get(use.assemblyId);
  if (assembly === undefined) return null;
  return (
    <div className="box" style={{ padding: '4px 8px' }}>
      <div style={{ display: 'flex', alignItems: 'center', gap: 6 }}>
        <button
          type="button"
          className="plain-button cut"
          style={{ flex: 1, fontWeight: 500 }}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? '▾' : '▸'} {assembly.name}
        </button>
        <button
          type="button"
          className="icon-button"
          style={{ width: 20 }}
          aria-label={`Take ${assembly.name} off`}
          onClick={() => actions.transact(`take ${assembly.name} off`, remove(use.id))}
        >
          <X size={13} />
        </button>
      </div>
      {open ? <UseAnswers use={use} /> : null}
    </div>
  );
}
