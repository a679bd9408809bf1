package jobview

// Hardening are the ways of holding in which something hardens before the work goes on.
var Hardening = []string{"bonded-fixed", "edge-bonded", "ring-port", "putty-points", "glued-beads"}
