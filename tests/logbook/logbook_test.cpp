// The log on the disk: takes come back whole, are found again, survive what kills programs, and what is no log is told.
#include "logbook/logbook.h"
#include "logbook/schema.h"
#include "support/patches.h"

#include <QtTest>

#include <QProcess>
#include <QSqlDatabase>
#include <QSqlQuery>
#include <QTemporaryDir>

#include <cstdio>
#include <fstream>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

namespace fs = std::filesystem;

NewTake takeOf(const Patch& patch, const std::string& name, std::int64_t parent = 0) {
    NewTake out;
    out.parent = parent;
    out.at = QDateTime::currentMSecsSinceEpoch();
    out.label.name = name;
    out.patch = patch;
    out.rig = rigOf(patch, workspace());
    return out;
}

/// SQL on a file, past the logbook.
void tamper(const fs::path& file, const QString& text) {
    {
        QSqlDatabase base = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("tamper"));
        base.setDatabaseName(QString::fromStdString(file.string()));
        if (!base.open() || !QSqlQuery(base).exec(text)) qFatal("%s", qPrintable(text));
    }
    QSqlDatabase::removeDatabase(QStringLiteral("tamper"));
}

std::vector<std::int64_t> idsOf(const Result<std::vector<TakeLine>>& lines) {
    if (!lines) qFatal("%s", lines.error().text().c_str());
    std::vector<std::int64_t> out;
    for (const TakeLine& line : *lines) out.push_back(line.id);
    return out;
}

/// Takes without an end, each told of once it is written. The program that the test kills.
int keepTaking(const char* file) {
    auto log = Logbook::open(file);
    if (!log) return 1;
    NewTake take = takeOf(lamp(), "one of many");
    take.sound.assign(300'000, 's');
    for (;;) {
        const auto id = log->add(take, workspace().library);
        if (!id) return 1;
        std::printf("%lld\n", static_cast<long long>(*id));
        std::fflush(stdout);
    }
}

} // namespace

class LogbookTest : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;
    int count_ = 0;

    fs::path fresh() {
        return fs::path(folder_.path().toStdString()) / ("log-" + std::to_string(count_++) + ".sqlite");
    }
    static Logbook opened(const fs::path& file) {
        auto log = Logbook::open(file);
        if (!log) qFatal("%s", log.error().text().c_str());
        return std::move(*log);
    }
    static QString refused(const fs::path& file) {
        const auto log = Logbook::open(file);
        return log ? QStringLiteral("opened") : QString::fromStdString(log.error().text());
    }

  private Q_SLOTS:
    void aTakeComesBackWhole() {
        const fs::path file = fresh();
        NewTake take = takeOf(lamp(), "bell, \"low\"", 0);
        take.kind = TakeKind::BeforePlan;
        take.label.notes = "struck left of the door\nnot right";
        take.label.tags = {"bell", "Slow Ones"};
        take.label.rating = 4;
        take.figures = {{"tail", 26.11}, {"decay", 0.31}};
        take.thumb.outline[3] = {-100, 127};
        take.thumb.bands[29] = 200;
        take.sound = std::string("fLaC\0\1\2", 7);
        std::int64_t id = 0;
        {
            Logbook log = opened(file);
            id = *log.add(take, workspace().library);
            QCOMPARE(*log.takeOf(take.patch), id);
            QCOMPARE(*log.takeOf(demo("engine-room.json")), 0);
        }
        const Logbook log = opened(file); // closed, and opened again
        const auto back = log.take(id);
        QVERIFY2(back, back ? "" : back.error().text().c_str());
        QVERIFY(back->patch == take.patch);
        QVERIFY(back->rig == take.rig);
        QVERIFY(back->figures == take.figures && back->thumb == take.thumb);
        QVERIFY(back->kind == TakeKind::BeforePlan && back->hasSound && back->at == take.at);
        QCOMPARE(back->label.tags, (std::vector<std::string>{"bell", "slow-ones"}));
        QVERIFY(back->label.name == take.label.name && back->label.notes == take.label.notes &&
                back->label.rating == 4);
        QVERIFY(*log.sound(id) == take.sound);
        QVERIFY(log.check());
        QVERIFY(!log.take(id + 1) &&
                QString::fromStdString(log.take(id + 1).error().text()).contains(QLatin1String("no take")));
    }

    void takesAreFoundAgain() {
        Logbook log = opened(fresh());
        const Library& library = workspace().library;
        NewTake kick = takeOf(demo("engine-room.json"), "kick, deep");
        kick.figures = {{"tail", 26.2}, {"decay", 0.42}, {"findings", 0}};
        kick.at = 1'000'000;
        kick.label.tags = {"drum"};
        const auto a = *log.add(kick, library);
        NewTake lead = takeOf(lamp(), "Leader a fifth up", a);
        lead.figures = {{"note", 50.0}, {"findings", 3}};
        lead.at = 2'000'000;
        lead.label.rating = 5;
        lead.sound = "fLaC";
        const auto b = *log.add(lead, library);
        const auto found = [&](const char* text) { return idsOf(log.list(*readQuery(text, 0))); };
        QCOMPARE(found(""), (std::vector<std::int64_t>{b, a})); // newest first
        QCOMPARE(found("deep"), std::vector<std::int64_t>{a});
        QCOMPARE(found("fif lead"), std::vector<std::int64_t>{b});
        QCOMPARE(found("tail D1, decay 300-500 ms"), std::vector<std::int64_t>{a});
        QCOMPARE(found("no findings"), std::vector<std::int64_t>{a});
        QCOMPARE(found("#drum"), std::vector<std::int64_t>{a});
        QCOMPARE(found("rated 4"), std::vector<std::int64_t>{b});
        QCOMPARE(found("has sound"), std::vector<std::int64_t>{b});
        QCOMPARE(found("with skerry"), std::vector<std::int64_t>{b});     // a module of that case is in it
        QCOMPARE(found("follower saw to"), std::vector<std::int64_t>{b}); // as a cable is said
        QCOMPARE(found("\"*( or"), std::vector<std::int64_t>{}); // what means something to the database does not here
        // What is written later is found, what was there before is not any more.
        QVERIFY(log.label(a, {"boom", "", {}, 0}));
        QCOMPARE(found("boom"), std::vector<std::int64_t>{a});
        QVERIFY(found("deep").empty() && found("#drum").empty());
        // Thrown away and taken back.
        QVERIFY(log.throwAway(a));
        QCOMPARE(found(""), std::vector<std::int64_t>{b});
        QVERIFY(log.takeBack(a));
        QCOMPARE(found("").size(), std::size_t{2});
        QVERIFY(!log.throwAway(99));
        QCOMPARE(log.list({}, 1)->size(), std::size_t{1});
    }

    void roundsAreCounted() {
        Logbook log = opened(fresh());
        const auto a = *log.add(takeOf(lamp(), "a"), workspace().library);
        const auto b = *log.add(takeOf(lamp(), "b"), workspace().library);
        for (int i = 0; i < 3; ++i) QVERIFY(log.addRound({i, i < 2 ? b : a, i < 2 ? a : b}));
        const auto rounds = *log.rounds(a, b);
        QCOMPARE(rounds.size(), std::size_t{3});
        QCOMPARE(std::ranges::count(rounds, b, &Round::preferred), 2);
    }

    void whatIsThrownAwayLongAgoIsGoneForGood() {
        const fs::path file = fresh();
        std::int64_t id = 0;
        {
            Logbook log = opened(file);
            id = *log.add(takeOf(lamp(), "old"), workspace().library);
            QVERIFY(log.throwAway(id));
        }
        QVERIFY(opened(file).take(id)); // today it can still be taken back
        tamper(file, QStringLiteral("UPDATE take SET thrown_away = 1000"));
        Logbook log = opened(file);
        QVERIFY(!log.take(id));
        QVERIFY(log.check());
    }

    void soundsAreThinnedOut() {
        Logbook log = opened(fresh());
        NewTake take = takeOf(lamp(), "loud");
        take.sound.assign(2'000'000, 'x');
        take.at = 5000;
        const auto poor = *log.add(take, workspace().library);
        take.label.rating = 5;
        const auto good = *log.add(take, workspace().library);
        const auto before = *log.usage();
        QCOMPARE(before.sounds, 2);
        QCOMPARE(before.soundBytes, 4'000'000);
        QCOMPARE(*log.thinOut(4000, 3), 0); // they are younger
        QCOMPARE(*log.thinOut(6000, 3), 1);
        const auto after = *log.usage();
        QVERIFY2(after.bytes < before.bytes - 1'500'000, qPrintable(QString::number(after.bytes)));
        QVERIFY(log.sound(poor)->empty() && !log.sound(good)->empty());
        QCOMPARE(after.takes, 2);
    }

    /// Killed at a hundred moments: what was told of is there, the log is whole.
    void aKilledProgramLeavesAWholeLog() {
        const fs::path file = fresh();
        opened(file);
        std::mt19937 random(7);
        const int times = qEnvironmentVariableIsSet("LARIAT_FEW_KILLS") ? 10 : 100;
        std::int64_t told = 0;
        for (int i = 0; i < times; ++i) {
            QProcess program;
            program.start(QCoreApplication::applicationFilePath(),
                          {QStringLiteral("--keep-taking"), QString::fromStdString(file.string())});
            QVERIFY(program.waitForStarted());
            program.waitForReadyRead(30'000);
            QTest::qWait(static_cast<int>(random() % 25));
            program.kill();
            QVERIFY(program.waitForFinished());
            for (const QByteArray& line : program.readAllStandardOutput().split('\n'))
                if (!line.isEmpty()) told = std::max<std::int64_t>(told, line.toLongLong());
        }
        Logbook log = opened(file);
        QVERIFY2(log.check(), log.check() ? "" : log.check().error().text().c_str());
        const auto usage = *log.usage();
        QVERIFY2(told >= times && usage.takes >= told,
                 qPrintable(QStringLiteral("%1 told, %2 there").arg(told).arg(usage.takes)));
        QCOMPARE(usage.sounds, usage.takes); // never half of one
        QVERIFY(log.take(told) && log.take(told)->patch == lamp());
    }

    void anOlderLogIsCopiedAndBroughtUpToDate() {
        const fs::path file = fresh();
        for (const char* text : kSchemaSteps[0]) tamper(file, QString::fromLatin1(text));
        tamper(file, QStringLiteral("INSERT INTO take (parent, at, kind, name, notes, rating, title, patch_hash, thumb)"
                                    " VALUES (0, 5, 'by-hand', 'from before', '', 0, 't', '', x'00')"));
        tamper(file, QStringLiteral("PRAGMA user_version = 1"));
        Logbook log = opened(file);
        QCOMPARE(log.list()->at(0).label.name, std::string("from before"));
        QVERIFY(log.addRound({1, 1, 1}));
        QVERIFY(fs::exists(file.string() + "-before-2"));
    }

    void whatIsNoLogStaysAsItIs() {
        const auto holds = [](const fs::path& file) {
            std::ifstream in(file, std::ios::binary);
            return std::string(std::istreambuf_iterator<char>(in), {});
        };
        const fs::path text = fresh();
        std::ofstream(text) << "dear diary, today I tied a cable to the door and it rang";
        const std::string before = holds(text);
        QVERIFY2(refused(text).contains(QLatin1String("no log")), qPrintable(refused(text)));
        QCOMPARE(holds(text), before);
        const fs::path newer = fresh();
        opened(newer);
        tamper(newer, QStringLiteral("PRAGMA user_version = 9"));
        QVERIFY(refused(newer).contains(QLatin1String("newer version")));
        const fs::path foreign = fresh();
        tamper(foreign, QStringLiteral("CREATE TABLE birds (name TEXT)"));
        QVERIFY(refused(foreign).contains(QLatin1String("no log")));
        // A damaged page among those that lists read.
        const fs::path damaged = fresh();
        {
            Logbook log = opened(damaged);
            for (int i = 0; i < 60; ++i) QVERIFY(log.add(takeOf(lamp(), "take"), workspace().library));
        }
        std::string bytes = holds(damaged);
        QVERIFY(bytes.size() > 40'000);
        for (std::size_t at = 4096; at < bytes.size(); at += 512) bytes[at] = static_cast<char>(at / 7);
        std::ofstream(damaged, std::ios::binary) << bytes;
        QVERIFY2(refused(damaged).contains(QLatin1String("damaged")), qPrintable(refused(damaged)));
        std::ofstream(damaged, std::ios::binary) << bytes.substr(0, 5000); // cut short
        QVERIFY(refused(damaged) != QLatin1String("opened"));
        QVERIFY(refused(folder_.path().toStdString()).contains(QLatin1String("folder")));
        QVERIFY(refused("/proc/none/log.sqlite") != QLatin1String("opened"));
    }

    void aFullDiskLosesNothing() {
        const fs::path file = fresh();
        {
            Logbook log = opened(file);
            QVERIFY(log.add(takeOf(lamp(), "there"), workspace().library));
        }
        // SQLite's own limit of pages is what a full disk is to it.
        Logbook log = opened(file);
        log.limitPages(60);
        NewTake big = takeOf(lamp(), "too big");
        big.sound.assign(3'000'000, 'x');
        const auto refusedTake = log.add(big, workspace().library);
        QVERIFY(!refusedTake);
        QVERIFY2(QString::fromStdString(refusedTake.error().text()).contains(QLatin1String("disk is full")),
                 refusedTake.error().text().c_str());
        QCOMPARE(log.list()->size(), std::size_t{1});
        QVERIFY(log.check());
    }

    /// Two programs write into one log; one that holds it makes the other one wait, and then say so.
    void twoProgramsShareALog() {
        const fs::path file = fresh();
        Logbook one = opened(file);
        Logbook other = opened(file);
        QVERIFY(one.add(takeOf(lamp(), "one"), workspace().library));
        QVERIFY(other.add(takeOf(lamp(), "other"), workspace().library));
        QCOMPARE(one.list()->size(), std::size_t{2});
        QCOMPARE(other.list()->size(), std::size_t{2});
    }
};

int main(int argc, char** argv) {
    QCoreApplication app(argc, argv);
    if (argc == 3 && QByteArray(argv[1]) == "--keep-taking") return keepTaking(argv[2]);
    LogbookTest test;
    return QTest::qExec(&test, argc, argv);
}
#include "logbook_test.moc"
