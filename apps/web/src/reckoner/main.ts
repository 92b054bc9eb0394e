import { provideBrowserGlobalErrorListeners } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { ReckonerAlone } from './reckoner-alone';

void bootstrapApplication(ReckonerAlone, { providers: [provideBrowserGlobalErrorListeners()] });
