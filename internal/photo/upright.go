package photo

import (
	"encoding/binary"
	"image"
)

// orientation reads the Exif orientation of a JPEG, 1 to 8; 1 when there is
// none or it cannot be read. CIPA DC-008 (Exif), tag 0x0112, from memory.
func orientation(b []byte) int {
	for i := 2; i+4 <= len(b) && b[i] == 0xFF; {
		marker, size := b[i+1], int(binary.BigEndian.Uint16(b[i+2:]))
		if marker == 0xDA || size < 2 || i+2+size > len(b) {
			return 1
		}
		body := b[i+4 : i+2+size]
		if marker == 0xE1 && len(body) > 14 && string(body[:6]) == "Exif\x00\x00" {
			return tiffOrientation(body[6:])
		}
		i += 2 + size
	}
	return 1
}

func tiffOrientation(t []byte) int {
	var order binary.ByteOrder = binary.LittleEndian
	if string(t[:2]) == "MM" {
		order = binary.BigEndian
	}
	at := int(order.Uint32(t[4:]))
	if at < 8 || at+2 > len(t) {
		return 1
	}
	n := int(order.Uint16(t[at:]))
	for k := range n {
		e := at + 2 + 12*k
		if e+12 > len(t) {
			return 1
		}
		if order.Uint16(t[e:]) == 0x0112 {
			if v := int(order.Uint16(t[e+8:])); v >= 1 && v <= 8 {
				return v
			}
			return 1
		}
	}
	return 1
}

// upright turns and mirrors a picture by its Exif orientation.
func upright(in *image.RGBA, turn int) *image.RGBA {
	if turn == 1 {
		return in
	}
	w, h := in.Bounds().Dx(), in.Bounds().Dy()
	ow, oh := w, h
	if turn >= 5 {
		ow, oh = h, w
	}
	out := image.NewRGBA(image.Rect(0, 0, ow, oh))
	for y := range oh {
		for x := range ow {
			sx, sy := source(turn, x, y, w, h)
			copy(out.Pix[out.PixOffset(x, y):][:4], in.Pix[in.PixOffset(sx, sy):][:4])
		}
	}
	return out
}

// source is the point of the stored picture that an upright point shows.
func source(turn, x, y, w, h int) (int, int) {
	switch turn {
	case 2:
		return w - 1 - x, y
	case 3:
		return w - 1 - x, h - 1 - y
	case 4:
		return x, h - 1 - y
	case 5:
		return y, x
	case 6:
		return y, h - 1 - x
	case 7:
		return w - 1 - y, h - 1 - x
	case 8:
		return w - 1 - y, x
	}
	return x, y
}
