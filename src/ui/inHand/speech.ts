/** What a browser offers of speech, as far as it is used here. Source: Web Speech API, on-device recognition. */
interface Recognition {
  lang: string;
  /** True: what is said stays on the device; where that cannot be done nothing is heard. */
  processLocally: boolean;
  interimResults: boolean;
  onresult: ((event: RecognitionEvent) => void) | null;
  onerror: (() => void) | null;
  onend: (() => void) | null;
  readonly start: () => void;
  readonly stop: () => void;
}
interface RecognitionEvent {
  readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }>>;
}
interface RecognitionKind {
  new (): Recognition;
  readonly available?: (options: {
    readonly langs: readonly string[];
    readonly processLocally: true;
  }) => Promise<string>;
}

/**
 * Speech that is understood on the device itself; undefined where the browser has none for this language. One that
 * would send what is said to somebody is not used.
 */
export async function findLocalSpeech(language: string): Promise<RecognitionKind | undefined> {
  const kind = (window as { readonly SpeechRecognition?: RecognitionKind }).SpeechRecognition;
  if (!kind?.available) return undefined;
  const answer = await kind
    .available({ langs: [language], processLocally: true })
    .catch(() => 'unavailable');
  return answer === 'available' ? kind : undefined;
}

/** Listens once; tells what was understood, and when it ends. Returns what stops it. */
export function listen(
  kind: RecognitionKind,
  language: string,
  tell: { readonly heard: (text: string) => void; readonly ended: () => void },
): () => void {
  const recognition = new kind();
  recognition.lang = language;
  recognition.processLocally = true;
  recognition.interimResults = false;
  recognition.onresult = ({ results }) => {
    const text = results[results.length - 1]?.[0]?.transcript.trim() ?? '';
    if (text !== '') tell.heard(text);
  };
  recognition.onerror = recognition.onend = tell.ended;
  recognition.start();
  return () => recognition.stop();
}
