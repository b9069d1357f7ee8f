import { makeCodeAction, putOutAction } from '@/app/actions/devices';
import { getDatabase } from '@/data/startData';
import { listDevices } from '@/data/deviceRepo';
import { DevicesView } from '@/ui/devices/DevicesView';
import { Frame } from '@/ui/shell/Frame';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Devices' };
export const dynamic = 'force-dynamic';

export default async function DevicesPage() {
  const devices = await listDevices(await getDatabase());
  return (
    <Frame lid={<Lid homeName="Devices" homeNote="who joins in" />}>
      <div className="mx-auto max-w-[980px]">
        <h1 className="mb-3 text-[26px]">Devices</h1>
        <DevicesView
          devices={devices}
          isOpenToNetwork={process.env.TINBOX_LAN_PORT !== undefined}
          onMakeCode={makeCodeAction}
          onPutOut={putOutAction}
        />
      </div>
    </Frame>
  );
}
