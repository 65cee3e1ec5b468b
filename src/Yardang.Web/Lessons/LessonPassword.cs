using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Yardang.Data.School;

namespace Yardang.Web.Lessons;

/// <summary>
/// The password that a teacher may set besides the code. It is said aloud in a class, so it is hashed with fewer rounds than a teacher's own: a whole
/// school has to come in within a minute.
/// </summary>
public static class LessonPassword
{
    /// <summary>The longest, in characters.</summary>
    public const int MaxLength = 60;

    private static readonly PasswordHasher<LessonRecord> s_hasher = new(Options.Create(new PasswordHasherOptions { IterationCount = 20_000 }));

    /// <summary>What is kept of a password; null for none.</summary>
    public static string? Hash(LessonRecord lesson, string? password) => string.IsNullOrWhiteSpace(password) ? null : s_hasher.HashPassword(lesson, AsHeard(password));

    /// <summary>Whether this opens the lesson. One without a password is opened by anything.</summary>
    public static bool Opens(LessonRecord lesson, string? typed) =>
        lesson.PasswordHash is not { } hash || (typed?.Length <= MaxLength && (IsOf(lesson, hash, AsHeard(typed)) || IsOf(lesson, hash, typed.Trim())));

    // Nobody hears capital letters and outer spaces. (Earlier passwords were kept with their capitals.)
    private static string AsHeard(string password) => password.Trim().ToUpperInvariant();

    private static bool IsOf(LessonRecord lesson, string hash, string password) => s_hasher.VerifyHashedPassword(lesson, hash, password) != PasswordVerificationResult.Failed;
}
