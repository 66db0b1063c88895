/** The short sounds of alerts, made here and played where there is something to play them on. */
package dev.yardarm.app.sound;
