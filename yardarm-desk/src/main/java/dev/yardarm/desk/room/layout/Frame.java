package dev.yardarm.desk.room.layout;

import java.util.List;

/**
 * What a workspace keeps of its main window, beside the layouts in it.
 *
 * @param theme name of the theme
 * @param view name of the view in front
 * @param list the list in hand; null for none
 * @param window where it stands; null when that was not kept
 * @param recent what was typed last, the last first
 * @param draft a definition that was written and not saved; empty for none
 * @param first true when no layout was saved with it
 */
public record Frame(
        String theme,
        String view,
        String list,
        boolean listShown,
        boolean layersShown,
        boolean stripShown,
        WindowPlace window,
        List<String> recent,
        boolean overviewShown,
        boolean cardShown,
        String draft,
        boolean first) {
    public Frame {
        recent = List.copyOf(recent);
    }
}
