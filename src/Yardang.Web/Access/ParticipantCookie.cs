using Microsoft.AspNetCore.DataProtection;

namespace Yardang.Web.Access;

/// <summary>What brings a student back to their board: the participants that this device was. Several, because devices are shared.</summary>
public sealed class ParticipantCookie(IDataProtectionProvider protection, TimeProvider clock)
    : RememberedIds(protection, clock, "yardang-participant", "Yardang.Participants.v1", remembered: 12, TimeSpan.FromDays(180));
