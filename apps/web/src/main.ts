import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { Shell } from './app/platform/shell';

void bootstrapApplication(Shell, appConfig);
