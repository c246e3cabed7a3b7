#!/usr/bin/env node
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureProgram } from '../../scripts/programs.mjs';

const { main } = await import(pathToFileURL(join(await ensureProgram('cli'), 'main.mjs')).href);
process.exitCode = await main(process.argv.slice(2));
