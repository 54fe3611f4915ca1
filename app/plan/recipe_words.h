// What recipes say, in the user's language where it has it.
#pragma once

#include <QCoreApplication>
#include <QString>

#include <string>

namespace lariat {

inline QString inRecipes(const std::string& text) {
    return QCoreApplication::translate("recipes", text.c_str());
}

} // namespace lariat
