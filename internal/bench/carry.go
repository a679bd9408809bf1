package bench

// MostOfPane is more than a pane has places, steps or checks.
const MostOfPane = 200
