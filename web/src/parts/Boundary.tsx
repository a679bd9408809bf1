import { Component, type ReactNode } from "react";

type Props = { children: ReactNode; what: string };

/**
 * Keeps a fault of one page or sheet from taking the whole screen away. What
 * was typed is in its draft, and a try again begins with it.
 */
export class Boundary extends Component<Props, { broken: boolean }> {
	state = { broken: false };

	static getDerivedStateFromError() {
		return { broken: true };
	}

	render() {
		if (!this.state.broken) return this.props.children;
		return (
			<div role="alert" className="max-w-[36em] p-6">
				<p className="text-xl font-semibold">
					{this.props.what} could not be shown.
				</p>
				<p className="mt-2 text-ink-2">
					The program made a mistake. What was typed is kept on this device, and
					nothing in the shop's records has changed.
				</p>
				<p className="mt-4 flex gap-6">
					<button
						type="button"
						className="min-h-12 font-semibold underline underline-offset-4"
						onClick={() => this.setState({ broken: false })}
					>
						Try again
					</button>
					<a
						className="min-h-12 content-center underline underline-offset-4"
						href="/"
					>
						To today
					</a>
				</p>
			</div>
		);
	}
}
