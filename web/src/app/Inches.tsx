/** Text in which 7/8 stands as a real fraction. */
export function Inches({ children }: { children: string }) {
	const parts = children.split(/(\d+\/\d+)/);
	// Pieces of one string keep their place; nothing else names them.
	let at = 0;
	return (
		<>
			{parts.map((p) => {
				const key = at;
				at += p.length + 1;
				const [num, den] = p.split("/");
				if (!den || !/^\d+\/\d+$/.test(p)) return <span key={key}>{p}</span>;
				return (
					<span key={key}>
						<span className="sr-only">{p}</span>
						<span aria-hidden="true" className="whitespace-nowrap">
							<sup className="text-[0.74em]">{num}</sup>⁄
							<sub className="bottom-0 text-[0.74em]">{den}</sub>
						</span>
					</span>
				);
			})}
		</>
	);
}
