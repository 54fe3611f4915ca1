#include "cli/language.h"

#include "look/language.h"
#include "look/text.h"

namespace lariat::cli {

void addLanguage(CLI::App& command, std::string& language) {
    std::vector<std::string> known;
    for (const QString& code : languages()) known.push_back(code.toStdString());
    command.add_option("--language", language, "Of what is written: a code such as en or de")
        ->check(CLI::IsMember(known))
        ->capture_default_str();
}

Speaker speakerOf(const std::string& language) {
    if (language == "en") return inEnglish;
    speak(QString::fromStdString(language));
    return inWindow();
}

} // namespace lariat::cli
