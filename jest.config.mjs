// Tests run west of Greenwich and off the full hour, or days taken in universal time would pass for local ones.
process.env.TZ = 'America/St_Johns';

const transform = {
  '^.+\\.(t|j|mj)sx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'commonjs' },
    },
  ],
};
const esmPackages =
  '@tanstack|rbush|flatbush|flatqueue|quickselect|robust-predicates|pdfjs-dist|comlink|idb|@turf|polyclip-ts|splaytree-ts|bignumber.js|d3-.*|geojson-.*|kdbush|tinyqueue|point-in-polygon-hao|concaveman|marchingsquares|sweepline-intersections|skmeans|topojson-.*';
const shared = {
  transform,
  moduleNameMapper: {
    '^@zest/core/(.*)$': '<rootDir>/../core/src/$1.ts',
    '^@zest/demo/(.*)$': '<rootDir>/../demo/src/$1.ts',
    // Where the bundler puts a file; tests read it from its package.
    '\\?url$': '<rootDir>/src/testing/builtUrl.ts',
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esmPackages})/)`],
  moduleFileExtensions: ['ts', 'tsx', 'mjs', 'js', 'json'],
};
/** @type {import('jest').Config} */
export default {
  cacheDirectory: '.cache/jest',
  projects: ['core', 'app', 'server', 'demo'].map((name) => ({
    ...shared,
    displayName: name,
    rootDir: `./${name}`,
    testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
    testEnvironment: 'node',
  })),
};
