import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { Failed } from '../../parts/states.js';
import { openProject, useProject } from '../../store/project.js';

/** The project folder was not read: why, and once more. */
export function ProjectFailed(): ReactNode {
  const trouble = useProject((project) => project.trouble);
  return (
    <Failed title="The project folder cannot be read" message={trouble ?? ''}>
      <Button onClick={() => void openProject()}>Try again</Button>
    </Failed>
  );
}
