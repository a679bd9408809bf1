package dbtest

import (
	"os"
	"syscall"
)

// memory is a folder in memory where the system has one, and how much must be free there: a server
// with the databases of a package's tests needs less than that.
const (
	memory = "/dev/shm"
	room   = 8 << 30
)

// Quick makes a temporary folder where writing costs nothing, if there is room: tests write and
// throw away, and a disk that is waited for at each write takes most of their time.
func Quick(pattern string) (string, error) {
	var s syscall.Statfs_t
	if err := syscall.Statfs(memory, &s); err == nil && s.Bavail*uint64(s.Bsize) > room {
		if dir, err := os.MkdirTemp(memory, pattern); err == nil {
			return dir, nil
		}
	}
	return os.MkdirTemp("", pattern)
}
