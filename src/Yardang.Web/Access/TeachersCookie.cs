using Microsoft.AspNetCore.DataProtection;

namespace Yardang.Web.Access;

/// <summary>Which teachers have signed in on this device: strangers who guess at their passwords elsewhere do not hold them up here.</summary>
public sealed class TeachersCookie(IDataProtectionProvider protection, TimeProvider clock)
    : RememberedIds(protection, clock, "yardang-known", "Yardang.KnownTeachers.v1", remembered: 8, TimeSpan.FromDays(365));
