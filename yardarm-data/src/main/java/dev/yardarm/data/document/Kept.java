package dev.yardarm.data.document;

import com.fasterxml.jackson.databind.JsonNode;

/**
 * Part of a document as it was read, for whoever keeps it to be written back: what could not be understood, or fields somebody
 * else wrote. What is inside is nobody's business.
 */
public record Kept(JsonNode raw) {}
