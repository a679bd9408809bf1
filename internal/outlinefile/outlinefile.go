// Package outlinefile reads outlines from the files of others: DXF and SVG, with their units,
// arcs and splines, chained into one closed path.
package outlinefile
