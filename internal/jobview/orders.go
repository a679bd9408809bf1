package jobview

import ()

// FromOrder begins what a pane waits for that is on an order.
const FromOrder = "the pane from "

// CheckNew is the step at which the new pane is looked over.
const CheckNew = "check-new"
