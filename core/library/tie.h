// The tie line: "osc a saw to low-pass in 1".
#pragma once

#include "library/library.h"
#include "model/edit.h"

#include <string>
#include <vector>

namespace lariat {

/// The cable that a sentence `<post> <jack> to <post> <jack>` asks for. Names are read without regard to case,
/// as they stand on the chart or as ids. Errors name the part that was not understood and what is near.
/// The cable joins the voice of its target and that voice's last step.
Result<TieCable> readTie(const std::string& sentence, const Patch& patch, const Library& library);

/// Whole sentences that the text may become, best first; at most `limit`. Before "to" outputs are offered,
/// behind it free inputs, those of the output's kind first.
std::vector<std::string> completeTie(const std::string& text, const Patch& patch, const Library& library,
                                     std::size_t limit = 12);

/// What is to be known of the jack that such a sentence ends with: "-5…+5 V, free", "0…+8 V, in use 2 times".
Sentence aboutCompletion(const std::string& sentence, const Patch& patch, const Library& library);

/// Why `text` names no output, or input; of these names the nearest are offered.
Error noSuchJack(const std::string& text, const std::vector<std::string>& names, bool output);

/// "Osc A saw", as the tie line writes a jack.
std::string tieName(const JackRef& ref, const Patch& patch, const Library& library);

/// A cable between two jacks, given in either order, with voice and step chosen as readTie does.
Result<TieCable> makeTie(JackRef a, JackRef b, const Patch& patch, const Library& library);

} // namespace lariat
