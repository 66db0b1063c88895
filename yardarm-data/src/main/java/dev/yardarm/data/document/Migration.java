package dev.yardarm.data.document;

import com.fasterxml.jackson.databind.node.ObjectNode;

/** Brings a document from one version of its format to the next. */
@FunctionalInterface
interface Migration {
    /** Changes the document in place. */
    void bring(ObjectNode document);

    /** For a version that only allows more than the one before. */
    Migration NOTHING = document -> {};
}
