// Which jack somebody means who writes a word of it.
#pragma once

#include "library/library.h"

#include <string>

namespace lariat::notes {

/// How well a jack is what was written; 0: not at all.
int jackFits(const JackInfo& jack, const std::string& written);
/// An input that moves a control of that name: "vcf cutoff" means its CV.
bool aimsAt(const PartInfo& part, const JackInfo& jack, const std::string& written);
/// How usual it is that a cable goes from one kind to the other; 0: not at all.
int together(SignalKind from, SignalKind to);

} // namespace lariat::notes
