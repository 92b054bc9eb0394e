// Laws are tried with the same cases at every run; FC_SEED and FC_RUNS go hunting for others.
import '@angular/localize/init';
import fc from 'fast-check';

fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261123), numRuns: Number(process.env.FC_RUNS ?? 300) });
