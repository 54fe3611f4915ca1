// What recipes say, in the user's language where it has it.
#pragma once

#include "plan/recipe.h"

#include <QCoreApplication>
#include <QString>

#include <string>

namespace lariat {

inline QString inRecipes(const std::string& text) {
    return QCoreApplication::translate("recipes", text.c_str());
}

/// With what its plans write into a patch in that language too.
inline Recipe inTheirWords(const Recipe& recipe) {
    return inWords(recipe, [](const std::string& text) {
        const QString own = inRecipes(text); // roles of a wish are called as functions are
        return (own.toStdString() == text ? QCoreApplication::translate("core", text.c_str()) : own).toStdString();
    });
}

} // namespace lariat
