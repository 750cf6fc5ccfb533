import { isDevMode, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { en_US, provideNzI18n } from 'ng-zorro-antd/i18n';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { routes } from './app.routes';
import { afterFirstView } from './store/first-view';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideNzI18n(en_US),
    provideNzNoAnimation(),
    provideServiceWorker('service-worker.js', { enabled: !isDevMode(), registrationStrategy: afterFirstView }),
  ],
};
