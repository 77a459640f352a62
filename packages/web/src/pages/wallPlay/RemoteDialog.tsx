import type { WallPlayReply } from '@otter/api'
import { useEffect } from 'react'
import { useDropRemotes, useRemoteCode } from '../../api/wall.ts'
import { commonTexts, wallPlayTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'

/** The code by which one phone becomes the remote control; it stands in this window alone, and holds once. */
export function RemoteDialog({ state: { offerId, remotes }, onClose }: { state: WallPlayReply; onClose: () => void }) {
  const t = useTexts(wallPlayTexts)
  const common = useTexts(commonTexts)
  const { mutate, data, error } = useRemoteCode(offerId)
  const drop = useDropRemotes(offerId)
  useEffect(() => mutate(), [mutate])
  return (
    <Dialog title={t('remote')} layout="flex max-w-2xl flex-col gap-4" onClose={onClose}>
      <p>{t('remoteHelp')}</p>
      <Notice error={error ?? drop.error} />
      {data && (
        <div className="flex flex-wrap items-center gap-6">
          <QrCode
            text={`${location.origin}/remote#${data.code}`}
            size={200}
            label={common('qrOf', { code: data.code })}
          />
          <div>
            <p>
              <Rich
                texts={wallPlayTexts}
                id="remoteAt"
                values={{ address: `${location.host}/remote` }}
                marks={{ address: <strong /> }}
              />
            </p>
            <p className="text-4xl font-bold tracking-[0.15em]" dir="ltr" data-code>
              {data.code}
            </p>
          </div>
        </div>
      )}
      {remotes > 0 && (
        <p className="flex items-center justify-between gap-3">
          <span role="status">{t('remotes', { count: remotes })}</span>
          <button type="button" className="btn" onClick={() => drop.mutate()}>
            {t('dropRemotes')}
          </button>
        </p>
      )}
      <button type="button" data-first className="btn btn-primary self-end" onClick={onClose}>
        {common('close')}
      </button>
    </Dialog>
  )
}
