package dev.yardarm.desk.room.layout;

/** Where a window stands on the screens, in their points. */
public record WindowPlace(double x, double y, double width, double height, boolean maximised) {
    /** True when there is something to see of it. */
    public boolean isSeen() {
        return width > 0 && height > 0;
    }
}
