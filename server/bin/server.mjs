#!/usr/bin/env node
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureProgram } from '../../scripts/programs.mjs';

await import(pathToFileURL(join(await ensureProgram('server'), 'main.mjs')).href);
