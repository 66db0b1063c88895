/** Bars of no world at all: plain walks and trends, to try formulas and detectors on. */
package dev.yardarm.market.synthetic;
