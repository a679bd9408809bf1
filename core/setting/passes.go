package setting

// Passes are what is done to every screw in turn before the next pass begins:
// started by hand they all are before the first. Common practice, no source.
var Passes = []string{"touches", "is snug", "is checked"}

// Pass says which screw is next, from 1 in the order of tightening, and what is
// said of it, when so many were counted off over all passes; done is true behind
// the last, and where there is no screw.
func Pass(counted, screws int) (pass, screw int, done bool) {
	if screws <= 0 || counted >= screws*len(Passes) {
		return len(Passes), screws, true
	}
	counted = max(0, counted)
	return counted/screws + 1, counted%screws + 1, false
}
