using Microsoft.AspNetCore.Identity;
using Yardang.Data.School;

namespace Yardang.Web.QuickStart;

/// <summary>
/// Somebody who teaches without an account: an account that nobody can sign in to, known to one browser, and deleted with all that hangs on it
/// when its time is up.
/// </summary>
public static class GuestTeacher
{
    /// <summary>How long it lives.</summary>
    public static readonly TimeSpan Lifetime = TimeSpan.FromHours(12);

    /// <summary>Makes one, with a name for the class to see.</summary>
    public static async Task<Teacher> MakeAsync(UserManager<Teacher> teachers, string name, DateTimeOffset now)
    {
        var id = Guid.CreateVersion7();
        var teacher = new Teacher { Id = id, DisplayName = name, UserName = $"{id:N}@guest.invalid", Email = $"{id:N}@guest.invalid", EndsAt = now + Lifetime };
        var made = await teachers.CreateAsync(teacher);
        return made.Succeeded ? teacher : throw new InvalidOperationException(string.Join(' ', made.Errors.Select(e => e.Description)));
    }

    /// <summary>Turns it into an account that stays. The outcome says why not, if it does not; then nothing has changed.</summary>
    public static async Task<IdentityResult?> KeepAsync(UserManager<Teacher> teachers, Teacher guest, string name, string email, string password)
    {
        foreach (var validator in teachers.PasswordValidators)
        {
            if (await validator.ValidateAsync(teachers, guest, password) is { Succeeded: false } weak) return weak;
        }

        var before = (guest.DisplayName, guest.UserName, guest.Email, guest.EndsAt);
        (guest.DisplayName, guest.UserName, guest.Email, guest.EndsAt) = (name, email, email, null);
        var updated = await teachers.UpdateAsync(guest);
        if (!updated.Succeeded)
        {
            (guest.DisplayName, guest.UserName, guest.Email, guest.EndsAt) = before;
            return updated;
        }

        return await teachers.AddPasswordAsync(guest, password) is { Succeeded: false } refused ? refused : null;
    }
}
