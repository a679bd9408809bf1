package arrows

import (
	"bytes"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// A line is as long as two windows side by side show it: 120 bytes. The words that a field may have
// and the output of an example are one line to the language and stay what they are.
const widest, wordsWidest = 120, 165

// words are the tag of a field that lists what it may be, and says nothing else.
var words = regexp.MustCompile("`json:\"[^`]*enum:\"[^`\"]*\"`$")

func TestLinesAreShort(t *testing.T) {
	files := 0
	err := filepath.WalkDir("../..", func(path string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() && (d.Name() == "node_modules" || strings.HasPrefix(d.Name(), ".") && len(d.Name()) > 2) {
			return fs.SkipDir
		}
		if filepath.Ext(path) != ".go" {
			return nil
		}
		files++
		source, err := os.ReadFile(filepath.Clean(path))
		if err != nil {
			return err
		}
		output := false
		for n, line := range bytes.Split(source, []byte("\n")) {
			comment := bytes.HasPrefix(bytes.TrimSpace(line), []byte("//"))
			output = comment && (output || bytes.Contains(line, []byte("// Output:")))
			most := widest
			if words.Match(line) {
				most = wordsWidest
			}
			if len(line) > most && !output {
				t.Errorf("%s:%d: %d bytes, and at most %d are wanted", path, n+1, len(line), most)
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	if files < 400 {
		t.Errorf("only %d files were read", files)
	}
}
