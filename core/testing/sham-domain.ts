import { domain } from '../assessment/domain';
import type { NodeDefinition } from '../assessment/derive/node';
import { forRevision, type RemedyMaker } from '../assessment/remedies/remedy';

declare module '../calculation/finding' {
  interface FindingCodes {
    sham: 'name';
  }
  interface Benches {
    sham: true;
  }
}
declare module '../assessment/remedies/remedy' {
  interface RemedyKinds {
    shorten: true;
  }
}
declare module '../assessment/derive/node' {
  interface Nodes {
    'sham.length': number;
  }
}

const length: NodeDefinition<number> = {
  calculationId: null,
  from: [],
  reads: ({ design }) => [design.name],
  compute: ({ design }) => ({ value: design.name.length }),
};

/** A domain that judges the length of a tank's name: what it takes to add one, and no more. */
export const shamDomain = domain({
  family: 'sham',
  nodes: { 'sham.length': length },
  findings: (_, derived) => {
    const { value } = derived['sham.length'];
    if (value === null || value <= 4) return [];
    return [
      {
        key: 'sham.name',
        code: 'sham.name',
        bench: 'sham',
        severity: 'watch',
        excess: value - 4,
        subjects: [],
        values: { count: { quantity: 'count', value: value } },
        evidence: [derived['sham.length']],
        basis: 'practice',
      },
    ];
  },
  words: ({ count }) => ({ title: `The name is ${count('count')} long`, reason: 'Four would do.' }),
  at: { name: ['sham', 'name'] },
  remedyWords: { shorten: () => 'Call it Test' },
});

/** What it takes to mend its finding. */
export const shorten: RemedyMaker = ({ world: { design } }) => [
  { kind: 'shorten', subjects: [], values: {}, patch: [forRevision(design.rev), { op: 'replace', path: '/name', value: 'Test' }] },
];
