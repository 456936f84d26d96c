import { Alert, App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileButton } from '@/ui/fields/FileField';
import { sendFile } from '@/ui/askDoor';

/** A list of costs on its way, or why it was not taken. */
interface Taking {
  readonly list: File;
  readonly trouble: string | null;
}

/** Takes a list of costs of a job from a file: all of it, or nothing. */
export function useCostFile(agreementId: string) {
  const { message } = App.useApp();
  const router = useRouter();
  const [taking, setTaking] = useState<Taking | null>(null);
  const take = async (list: File) => {
    setTaking({ list, trouble: null });
    try {
      const { taken, known } = await sendFile<{ taken: number; known: number }>(
        `/api/v1/agreements/${agreementId}/costs.csv`,
        list,
      );
      setTaking(null);
      void message.success(
        `${taken} ${taken === 1 ? 'cost' : 'costs'} taken${known > 0 ? `, ${known} were there already` : ''}.`,
      );
    } catch (error) {
      setTaking({ list, trouble: (error as Error).message });
    }
    router.refresh();
  };
  const button = (
    <FileButton label="List of costs" accept=".csv,.xlsx,text/csv" take={(list) => void take(list)}>
      Import
    </FileButton>
  );
  const state =
    taking &&
    (taking.trouble === null ? (
      <p className="soft" role="status">
        Taking {taking.list.name} …
      </p>
    ) : (
      <Alert
        type="error"
        className="below-less"
        title={`${taking.list.name}: ${taking.trouble}`}
        closable={{ onClose: () => setTaking(null) }}
      />
    ));
  return { button, state };
}
