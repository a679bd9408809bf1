// Package money reckons with whole cents: what is owed is never a binary fraction.
package money

import "fmt"

// Most is more than any line, rate or price here, in cents.
const Most = 100_000_000

// Text writes cents: 12.50.
func Text(cents int64) string {
	sign := ""
	if cents < 0 {
		sign, cents = "−", -cents
	}
	return fmt.Sprintf("%s%d.%02d", sign, cents/100, cents%100)
}

// Over is n ÷ d to the next whole one, halves away from nothing, as invoices are
// rounded. d is above 0. Common practice, no source.
func Over(n, d int64) int64 {
	if n < 0 {
		return -Over(-n, d)
	}
	return (n + d/2) / d
}

// Times is a price times a quantity in thousandths, to the cent.
func Times(each, milli int64) int64 { return Over(each*milli, 1000) }

// Part is so many hundredths of a percent of an amount, to the cent.
func Part(cents int64, basis int) int64 { return Over(cents*int64(basis), 10_000) }
