import { bootstrapApplication } from '@angular/platform-browser';
import * as z from 'zod';
import { App } from './app';
import { appConfig } from './app.config';

// Compiled validators would need a looser content security policy.
z.config({ jitless: true });

bootstrapApplication(App, appConfig).catch((error: unknown) => {
  document.body.textContent = `Terroir could not start: ${error instanceof Error ? error.message : String(error)}`;
});
