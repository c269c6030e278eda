import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import '../main.css';
import { Pack } from './pack.tsx';
import type { Packed } from './use-pack-run.ts';

const packed = JSON.parse(document.getElementById('packed')!.textContent!) as Packed;
document.title = packed.run.plan.title;
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Pack packed={packed} />
  </StrictMode>,
);
