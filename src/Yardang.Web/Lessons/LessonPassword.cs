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
    public static string? Hash(LessonRecord lesson, string? password) => string.IsNullOrWhiteSpace(password) ? null : s_hasher.HashPassword(lesson, password.Trim());

    /// <summary>Whether this opens the lesson. One without a password is opened by anything.</summary>
    public static bool Opens(LessonRecord lesson, string? typed) =>
        lesson.PasswordHash is not { } hash || (typed?.Length <= MaxLength && s_hasher.VerifyHashedPassword(lesson, hash, typed.Trim()) != PasswordVerificationResult.Failed);
}
