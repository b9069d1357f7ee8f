import type { RoomCheck } from '@/core/look';
import type { CheckTyped } from './checkForm';

export const emptyCheck: CheckTyped = {
  id: '',
  text: '',
  needs: 'words',
  width: '',
  depth: '',
  unitId: '',
};

export const toTypedCheck = ({ id, text, clear }: RoomCheck): CheckTyped => ({
  id,
  text,
  needs: clear?.surface ?? 'words',
  width: clear?.width.text ?? '',
  depth: clear?.depth.text ?? '',
  unitId: clear?.unitId ?? '',
});
