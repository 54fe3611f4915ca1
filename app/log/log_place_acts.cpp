// What is done in the Log place with takes.
#include "library/check.h"
#include "log/choose_takes.h"
#include "log/log_place.h"
#include "log/merge.h"
#include "logbook/exchange.h"
#include "look/text.h"
#include "shell/shortcuts.h"
#include "widgets/blind_dialog.h"
#include "widgets/file_dialog.h"

#include <QDateTime>
#include <QFileDialog>
#include <QInputDialog>
#include <QLocale>
#include <QMessageBox>
#include <QRandomGenerator>

#include <algorithm>

namespace lariat {

void LogPlace::addActions(const Menus& menus) {
    addNamed(menus.patch, "hold-against", tr("&Hold the take against…"), this, [this] {
        if (lookedAt() >= 0) holdAgainst(lookedAt());
    });
    addNamed(menus.patch, "blind-several", tr("Blind rounds bet&ween takes…"), this, [this] {
        if (session_.log && session_.log->book()) blindSeveral();
    });
    addNamed(menus.patch, "throw-take-away", tr("&Throw the take away"), this, [this] { throwAway(lookedAt()); });
    addNamed(menus.patch, "take-take-back", tr("Take &back what was thrown away"), this, [this] {
        Logbook* log = session_.log ? session_.log->book() : nullptr;
        if (!log || thrown_ == 0) {
            Q_EMIT message(tr("Nothing was thrown away since this window was opened."), false);
            return;
        }
        if (auto done = log->takeBack(std::exchange(thrown_, 0)); !done) Q_EMIT message(said(done.error()), true);
        session_.log->touch();
    });
    menus.patch.addSeparator();
    addNamed(menus.patch, "export-take", tr("E&xport the take…"), this, [this] {
        const QString file =
            askWhereToSave(this, tr("Export the take"), after_.name.left(60) + QStringLiteral(".lariat-bundle"),
                           tr("Bundle (*.lariat-bundle)"), {QStringLiteral(".lariat-bundle")});
        if (!file.isEmpty()) exportTo(file);
    });
    addNamed(menus.patch, "import-take", tr("&Import a take…"), this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("Import a take"), {}, tr("Bundle (*.lariat-bundle)"));
        if (!file.isEmpty()) importFrom(file);
    });
    addNamed(menus.patch, "bring-together", tr("Bring another's changes in&to it…"), this, [this] {
        const QString file = QFileDialog::getOpenFileName(
            this, tr("What somebody else made of the take that is held against"), {}, tr("Patch (*.lariat *.json)"));
        if (!file.isEmpty()) bringTogether(file);
    });
    addNamed(menus.patch, "diary", tr("&Diary page of the day…"), this, [this] {
        const TakeLine* take = model_->take(lookedAt());
        const QString day =
            QDateTime::fromMSecsSinceEpoch(take ? take->at : nowMs()).date().toString(QStringLiteral("yyyy-MM-dd"));
        const QString file =
            askWhereToSave(this, tr("Save the page of the diary"), day + QStringLiteral(".html"),
                           tr("HTML (*.html);;Markdown (*.md)"), {QStringLiteral(".html"), QStringLiteral(".md")});
        if (!file.isEmpty()) writeDiary(file);
    });
    addNamed(menus.patch, "thin-out", tr("&Let old sounds go…"), this, [this] { thinOut(); });
    menus.patch.addSeparator();
}

std::vector<Difference> LogPlace::ticked() const {
    std::vector<Difference> out;
    for (int i = 0; i < changes_->topLevelItemCount(); ++i)
        if (changes_->topLevelItem(i)->checkState(1) == Qt::Checked)
            out.push_back(
                differences_[static_cast<std::size_t>(changes_->topLevelItem(i)->data(0, Qt::UserRole).toInt())]);
    // What is beyond those shown goes with all of them.
    if (static_cast<int>(out.size()) == changes_->topLevelItemCount())
        for (std::size_t i = kMostShown; i < differences_.size(); ++i) out.push_back(differences_[i]);
    return out;
}

void LogPlace::bringOver() {
    if (!after_.patch || !before_.patch) return;
    auto made = broughtOver(session_.document.patch(), *after_.patch, ticked(), session_.document.library());
    if (!made) {
        Q_EMIT message(tr("It cannot be brought over: %1").arg(said(made.error().reason)), true);
        return;
    }
    if (*made == session_.document.patch()) {
        Q_EMIT message(tr("The open patch has all of that already."), false);
        return;
    }
    session_.log->keepBefore(TakeKind::BeforeReturn);
    if (session_.document.become(std::move(*made), tr("bring over from %1").arg(after_.name)))
        Q_EMIT message(tr("Brought over. Ctrl+Z takes it back."), false);
}

void LogPlace::bringTogether(const QString& file) {
    auto theirs = openPatch(file.toStdString(), session_.document.library());
    if (!theirs) {
        Q_EMIT message(said(theirs.error()), true);
        return;
    }
    if (!before_.patch) {
        Q_EMIT message(tr("First hold against the take that both of you began with."), true);
        return;
    }
    auto merged = merge(*before_.patch, session_.document.patch(), *theirs, session_.document.library());
    if (!merged) {
        Q_EMIT message(tr("It cannot be brought over: %1").arg(said(merged.error().reason)), true);
        return;
    }
    session_.log->keepBefore(TakeKind::BeforeReturn);
    if (!(merged->patch == session_.document.patch()) &&
        !session_.document.become(std::move(merged->patch), tr("bring in the changes of another")))
        return;
    QStringList clashes;
    for (const Conflict& one : merged->conflicts)
        clashes << tr("yours: %1; left out: %2")
                       .arg(q(inOneLine(one.mine, inWindow())), q(inOneLine(one.theirs, inWindow())));
    Q_EMIT message(tr("%n change(s) brought in.", nullptr, static_cast<int>(merged->brought.size())) +
                       (clashes.isEmpty() ? QString() : QLatin1Char('\n') + clashes.join(QLatin1Char('\n'))),
                   !clashes.isEmpty());
}

void LogPlace::hearTurns(bool on) {
    if (!on) {
        turns_->stop();
        return;
    }
    if (!before_.patch || !after_.patch) return;
    const auto voice = [&](const Side& side) -> std::optional<Turns::Voice> {
        auto fits = checkPatch(*side.patch, session_.document.library());
        if (!fits) {
            Q_EMIT message(tr("%1 cannot be heard: %2").arg(side.name, said(fits.error().reason)), true);
            return {};
        }
        const auto level = side.figures.find("level");
        return Turns::Voice{side.patch, level == side.figures.end() ? std::nullopt : std::optional(level->second)};
    };
    const auto before = voice(before_);
    const auto after = before ? voice(after_) : std::nullopt;
    if (!before || !after) {
        turnsButton_->setChecked(false);
        return;
    }
    turns_->set({*before, *after});
    turns_->takeTurns();
}

/// The two that are compared.
void LogPlace::blind() {
    blindBetween({before_, after_}, kRounds);
}

/// More than two: which, is asked first; each pair comes up at least twice.
void LogPlace::blindSeveral() {
    constexpr std::size_t kMostListed = 60;
    std::vector<ChooseTakes::Entry> entries;
    const auto compared = [&](std::int64_t id) { return before_.patch && (id == before_.id || id == after_.id); };
    if (!session_.log->isKept()) entries.push_back({TakeModel::kNow, tr("Now"), compared(TakeModel::kNow)});
    for (const TakeLine& take : model_->takes())
        if (entries.size() < kMostListed)
            entries.push_back(
                {take.id, tr("%1 · %2").arg(take.id).arg(q(takeName(take, inWindow()))), compared(take.id)});
    ChooseTakes dialog(tr("Blind rounds between takes"), entries, this);
    if (dialog.exec() != QDialog::Accepted) return;
    std::vector<Side> sides;
    for (const std::int64_t id : dialog.chosen()) sides.push_back(sideOf(id));
    const auto pairs = static_cast<int>(sides.size() * (sides.size() - 1) / 2);
    blindBetween(sides, std::max(kRounds, 2 * pairs));
}

void LogPlace::blindBetween(const std::vector<Side>& sides, int rounds) {
    std::vector<BlindDialog::Entry> entries;
    for (const Side& side : sides) {
        if (!side.patch) return; // it went, and that was said
        if (auto fits = checkPatch(*side.patch, session_.document.library()); !fits) {
            Q_EMIT message(tr("%1 cannot be heard: %2").arg(side.name, said(fits.error().reason)), true);
            return;
        }
        const auto level = side.figures.find("level");
        entries.push_back({side.id,
                           side.name,
                           {side.patch, level == side.figures.end() ? std::nullopt : std::optional(level->second)}});
    }
    turns_->stop();
    BlindDialog dialog(session_, std::move(entries), rounds, QRandomGenerator::global()->generate(), this);
    dialog.exec();
    Logbook* log = session_.log->book();
    for (const BlindDialog::Choice& choice : dialog.choices())
        if (log && choice.preferred > 0 && choice.other > 0)
            if (auto added = log->addRound({nowMs(), choice.preferred, choice.other}); !added) {
                Q_EMIT message(said(added.error()), true);
                break;
            }
    compare();
}

void LogPlace::goBack(std::int64_t id) {
    if (id <= 0 || !session_.log) return;
    turns_->stop();
    if (session_.log->goBackTo(id)) {
        Q_EMIT message(
            tr("The patch is that of take %1 now. What comes next branches off there; Ctrl+Z goes back.").arg(id),
            false);
        lookAt(TakeModel::kNow);
    }
}

void LogPlace::throwAway(std::int64_t id) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log || id <= 0) return;
    labelOf_ = 0;
    const int row = model_->rowOf(id);
    if (auto done = log->throwAway(id); !done) {
        Q_EMIT message(said(done.error()), true);
        return;
    }
    thrown_ = id;
    if (pinned_ == id) pinned_.reset();
    before_ = {};
    after_.id = row + 1 < model_->rowCount() ? model_->idAt(row + 1) : TakeModel::kNow;
    Q_EMIT message(tr("Take %1 is thrown away; for a day it can be taken back (menu Patch).").arg(id), false);
    session_.log->touch();
}

void LogPlace::thinOut() {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log) return;
    const QStringList choices = {tr("older than a month"), tr("older than a week"), tr("all of them")};
    const int days[] = {30, 7, 0};
    bool ok = false;
    const QString chosen = QInputDialog::getItem(
        this, tr("Let old sounds go"),
        tr("Sounds of takes that are rated less than 4 go; patches, notes and figures stay. Takes that are"), choices,
        0, false, &ok);
    if (!ok) return;
    const auto before = log->usage();
    const auto went = log->thinOut(nowMs() - days[std::max<qsizetype>(0, choices.indexOf(chosen))] * 86'400'000LL, 4);
    if (!went || !before) {
        Q_EMIT message(went ? QString() : said(went.error()), true);
        return;
    }
    const auto after = log->usage();
    Q_EMIT message(tr("%n sound(s) went; the log is smaller by %1.", nullptr, static_cast<int>(*went))
                       .arg(q(megabytes(static_cast<std::size_t>(
                           std::max<std::int64_t>(0, before->bytes - (after ? after->bytes : 0)))))),
                   false);
    session_.log->touch();
}

void LogPlace::exportTo(const QString& file) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log || lookedAt() <= 0) {
        Q_EMIT message(tr("Choose a take first."), true);
        return;
    }
    if (auto done = exportTake(*log, lookedAt(), file.toStdString(), dataFolder(), session_.document.workspace().own);
        !done)
        Q_EMIT message(said(done.error()), true);
    else
        Q_EMIT message(tr("Take %1 is in %2, with its modules and its sound.").arg(lookedAt()).arg(file), false);
}

void LogPlace::importFrom(const QString& file) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log) return;
    const auto made = importTake(*log, file.toStdString(), dataFolder(), session_.document.workspace().own);
    if (!made) {
        Q_EMIT message(said(made.error()), true);
        return;
    }
    session_.document.takeInNew();
    session_.log->touch();
    putOntoList(made->id);
    lookAt(made->id);
    Q_EMIT message(made->unpacked.written.empty()
                       ? tr("It is take %1 now.").arg(made->id)
                       : tr("It is take %1 now. Its case and modules are in your folder.").arg(made->id),
                   false);
}

/// A search that hides it is taken back.
void LogPlace::putOntoList(std::int64_t id) {
    if (model_->rowOf(id) >= 0) return;
    const QSignalBlocker quiet(search_);
    search_->clear();
    refresh();
}

void LogPlace::writeDiary(const QString& file) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log) return;
    const TakeLine* take = model_->take(lookedAt());
    const std::int64_t midnight = midnightBefore(take ? take->at : nowMs());
    const auto entries = diaryOf(*log, midnight, session_.document.library(), inWindow());
    if (!entries) {
        Q_EMIT message(said(entries.error()), true);
        return;
    }
    const std::string heading =
        QLocale().toString(QDateTime::fromMSecsSinceEpoch(midnight).date(), QLocale::LongFormat).toStdString();
    const std::filesystem::path path = file.toStdString();
    const std::string text = path.extension() == ".md" ? diaryAsMarkdown(heading, *entries, inWindow())
                                                       : diaryAsHtml(heading, *entries, inWindow());
    if (auto written = writeFile(path, text, FileKind::Text); !written)
        Q_EMIT message(said(written.error()), true);
    else
        Q_EMIT message(tr("The page of the diary is in %1.").arg(file), false);
}

QString LogPlace::shownText() const {
    QStringList out{title_->text(), otherThan_->text()};
    for (int i = 0; i < changes_->topLevelItemCount(); ++i) {
        const QTreeWidgetItem* item = changes_->topLevelItem(i);
        out << item->text(0) + QLatin1Char('|') + item->text(1) + QLatin1Char('|') + item->text(2);
    }
    for (int i = 0; i < heard_->count(); ++i)
        if (const auto* label = qobject_cast<QLabel*>(heard_->itemAt(i)->widget())) out << label->text();
    return out.join(QLatin1Char('\n'));
}

} // namespace lariat
