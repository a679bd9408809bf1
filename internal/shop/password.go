package shop

import (
	"crypto/rand"
	"crypto/subtle"
	"encoding/base64"
	"fmt"
	"strings"
	"unicode/utf8"

	"golang.org/x/crypto/argon2"

	"freshshard/core/fault"
)

// argon2id: 19 MiB, two passes, one lane: the least that the OWASP password
// storage cheat sheet asks for (from memory).
const (
	argonMemory = 19 * 1024
	argonPasses = 2
	argonLanes  = 1
	argonKey    = 32
	argonSalt   = 16
)

const (
	passwordLeast = 10
	passwordMost  = 200
)

func checkPassword(p string) error {
	if n := utf8.RuneCountInString(p); n < passwordLeast || n > passwordMost {
		return fault.New("password", fmt.Sprintf("a password has %d characters or more", passwordLeast), "three or four plain words do well")
	}
	return nil
}

func hashPassword(p string) (string, error) {
	salt := make([]byte, argonSalt)
	if _, err := rand.Read(salt); err != nil {
		return "", err
	}
	return encode(salt, argonMemory, argonPasses, argonLanes, key(p, salt, argonMemory, argonPasses, argonLanes)), nil
}

func key(p string, salt []byte, memory, passes uint32, lanes uint8) []byte {
	return argon2.IDKey([]byte(p), salt, passes, memory, lanes, argonKey)
}

func encode(salt []byte, memory, passes uint32, lanes uint8, k []byte) string {
	b := base64.RawStdEncoding
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, memory, passes, lanes, b.EncodeToString(salt), b.EncodeToString(k))
}

// samePassword holds a password against its hash, with the costs that the hash
// was made with.
func samePassword(p, hash string) bool {
	parts := strings.Split(hash, "$")
	var memory, passes uint32
	var lanes uint8
	if len(parts) != 6 || parts[1] != "argon2id" {
		return false
	}
	if _, err := fmt.Sscanf(parts[3], "m=%d,t=%d,p=%d", &memory, &passes, &lanes); err != nil || lanes == 0 || passes == 0 {
		return false
	}
	salt, err1 := base64.RawStdEncoding.DecodeString(parts[4])
	want, err2 := base64.RawStdEncoding.DecodeString(parts[5])
	if err1 != nil || err2 != nil {
		return false
	}
	return subtle.ConstantTimeCompare(key(p, salt, memory, passes, lanes), want) == 1
}
