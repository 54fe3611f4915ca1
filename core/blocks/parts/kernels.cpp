#include "blocks/parts/kernels.h"

#include "blocks/parts/maths.h"

#include <cstring>

#if defined(__x86_64__)
#define LARIAT_WIDE [[gnu::target("avx2,fma,bmi,bmi2")]]
#endif

namespace lariat {
namespace {

// The bodies, once; each set of wrappers below compiles them for its own processor.
#define LARIAT_BODY [[gnu::always_inline]] inline

constexpr int kLanes = 8;
// Eight at a time, in whatever registers the processor has; a compiler's extension that all of ours know.
using Floats = float __attribute__((vector_size(32)));
using Ints = std::int32_t __attribute__((vector_size(32)));

LARIAT_BODY Extent extentBody(const float* volts) {
    Floats low;
    std::memcpy(&low, volts, sizeof low);
    Floats high = low;
    Ints odd = low != low;
    for (int i = kLanes; i < kRun; i += kLanes) {
        Floats v;
        std::memcpy(&v, volts + i, sizeof v);
        low = v < low ? v : low;
        high = v > high ? v : high;
        odd |= v != v;
    }
    Extent out{low[0], high[0], odd[0] == 0};
    for (int lane = 1; lane < kLanes; ++lane) {
        out.low = low[lane] < out.low ? low[lane] : out.low;
        out.high = high[lane] > out.high ? high[lane] : out.high;
        out.numbers = out.numbers && odd[lane] == 0;
    }
    return out;
}

LARIAT_BODY void exp2Body(float base, const float* octaves, float* out) {
    for (int i = 0; i < kRun; ++i) {
        const float held = octaves[i] > -20.0f ? (octaves[i] < 20.0f ? octaves[i] : 20.0f) : -20.0f;
        out[i] = base * fastExp2(held);
    }
}

LARIAT_BODY void tanBody(const float* x, float highest, float* out) {
    for (int i = 0; i < kRun; ++i) out[i] = fastTan(x[i] < highest ? x[i] : highest);
}

LARIAT_BODY void addSineBody(float peak, const float* phases, float* out, int n) {
    for (int i = 0; i < n; ++i) out[i] += peak * fastSinTurn(phases[i]);
}

LARIAT_BODY void decayBody(float offset, float first, float shrink, float* out, int n) {
    Floats now;
    now[0] = first;
    for (int lane = 1; lane < kLanes; ++lane) now[lane] = now[lane - 1] * shrink;
    const float two = shrink * shrink;
    const float eight = (two * two) * (two * two);
    int i = 0;
    for (; i + kLanes <= n; i += kLanes) {
        const Floats volts = offset + now;
        std::memcpy(out + i, &volts, sizeof volts);
        now *= eight;
    }
    for (int lane = 0; i < n; ++i, ++lane) out[i] = offset + now[lane];
}

LARIAT_BODY void svfBody(const float* g, const float* k, SvfCoefficients& out) {
    for (int i = 0; i < kRun; ++i) {
        const float inverse = 1.0f / (1.0f + g[i] * (g[i] + k[i]));
        const float toOne = 2.0f * inverse * g[i];
        out.inverse.values[idx(i)] = inverse;
        out.fromOne.values[idx(i)] = 2.0f * inverse - 1.0f;
        out.toOne.values[idx(i)] = toOne;
        out.toTwo.values[idx(i)] = toOne * g[i];
    }
}

LARIAT_BODY float dotBody(const float* taps, const float* in, int n) {
    Floats sum{};
    for (int i = 0; i < n; i += kLanes) {
        Floats t;
        Floats v;
        std::memcpy(&t, taps + i, sizeof t);
        std::memcpy(&v, in + i, sizeof v);
        sum += t * v;
    }
    return ((sum[0] + sum[4]) + (sum[2] + sum[6])) + ((sum[1] + sum[5]) + (sum[3] + sum[7]));
}

#define LARIAT_KERNELS(TARGET, NAME)                                                                                   \
    struct NAME##Set {                                                                                                 \
        TARGET static Extent extent(const float* volts) { return extentBody(volts); }                                  \
        TARGET static void exp2(float base, const float* octaves, float* out) { exp2Body(base, octaves, out); }        \
        TARGET static void tan(const float* x, float highest, float* out) { tanBody(x, highest, out); }                \
        TARGET static void addSine(float peak, const float* phases, float* out, int n) {                               \
            addSineBody(peak, phases, out, n);                                                                         \
        }                                                                                                              \
        TARGET static void decay(float offset, float first, float shrink, float* out, int n) {                         \
            decayBody(offset, first, shrink, out, n);                                                                  \
        }                                                                                                              \
        TARGET static void svf(const float* g, const float* k, SvfCoefficients& out) { svfBody(g, k, out); }           \
        TARGET static float dot(const float* taps, const float* in, int n) { return dotBody(taps, in, n); }            \
        static constexpr Kernels all = {#NAME, extent, exp2, tan, addSine, decay, svf, dot};                           \
    }

LARIAT_KERNELS(, plain);
#ifdef LARIAT_WIDE
LARIAT_KERNELS(LARIAT_WIDE, wide);
#endif

} // namespace

const Kernels& plainKernels() {
    return plainSet::all;
}

const Kernels* wideKernels() {
#ifdef LARIAT_WIDE
    static const bool there =
        __builtin_cpu_supports("avx2") && __builtin_cpu_supports("fma") && __builtin_cpu_supports("bmi2");
    return there ? &wideSet::all : nullptr;
#else
    return nullptr;
#endif
}

const Kernels& kernels() {
    static const Kernels& chosen = wideKernels() ? *wideKernels() : plainKernels();
    return chosen;
}

} // namespace lariat
