package change

import (
	"time"
)

// SignalsKept is how long a sent line can still be asked for again.
const SignalsKept = time.Hour
