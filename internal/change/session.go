package change

import (
	"time"
)

const SessionLife = 14 * 24 * time.Hour

const SessionIdle = 3 * 24 * time.Hour
