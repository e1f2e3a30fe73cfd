#!/usr/bin/env node
import { main } from '../../scripts/admin.mjs';

main();
