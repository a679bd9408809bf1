import { useEffect, useRef, useState } from "react";

type Heard = { results: ArrayLike<ArrayLike<{ transcript: string }>> };
type Listener = {
	lang: string;
	onresult: ((e: Heard) => void) | null;
	onend: (() => void) | null;
	onerror: (() => void) | null;
	start: () => void;
	stop: () => void;
};
type Listening = new () => Listener;

/** The browser's own ear, where it has one. */
function ear(): Listening | undefined {
	const w = window as unknown as Record<string, Listening | undefined>;
	return w.SpeechRecognition ?? w.webkitSpeechRecognition;
}

/** For dirty hands: what is said goes into the field. Nothing where no browser hears. */
export function Speak({
	into,
	onSaid,
}: {
	into: string;
	onSaid: (words: string) => void;
}) {
	const [state, setState] = useState<"idle" | "listening" | "deaf">("idle");
	const listener = useRef<Listener | null>(null);
	useEffect(() => () => listener.current?.stop(), []);
	const Ear = ear();
	if (!Ear) return null;
	function listen(New: Listening) {
		if (state === "listening") {
			listener.current?.stop();
			return;
		}
		const l = new New();
		l.lang = document.documentElement.lang || "en";
		l.onresult = (e) => {
			const words = e.results[0]?.[0]?.transcript.trim();
			if (words) onSaid(words);
		};
		l.onend = () => setState((s) => (s === "listening" ? "idle" : s));
		l.onerror = () => setState("deaf");
		listener.current = l;
		setState("listening");
		l.start();
	}
	return (
		<button
			type="button"
			aria-pressed={state === "listening"}
			onClick={() => listen(Ear)}
			className="min-h-12 self-start border-2 border-rule px-4 aria-pressed:border-now aria-pressed:bg-now-wash"
		>
			{state === "listening"
				? "listening …"
				: state === "deaf"
					? `not heard; say ${into} again`
					: `say ${into}`}
		</button>
	);
}
