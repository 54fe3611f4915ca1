// Fixes that several rules offer.
#pragma once

#include "findings/finding.h"

namespace lariat {

/// Putting a part that the case has left, with a block of that type, into a cable; `edits` are made behind it.
/// Nothing if the case has none.
std::vector<Fix> insertFix(const Observation& observed, int cable, std::string_view blockType,
                           const std::function<void(const Post&, const PartInfo&, std::vector<Edit>&)>& more = {});
/// The cable goes to (or comes from) another jack.
Fix moveFix(const Observation& observed, const Cable& cable, const JackRef& from, const JackRef& to);
/// One more cable, in the voice and step of the post that it enters.
Fix tieFix(const Observation& observed, const JackRef& from, const JackRef& to);

} // namespace lariat
