using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class ParticipantConfiguration : IEntityTypeConfiguration<ParticipantRecord>
{
    public void Configure(EntityTypeBuilder<ParticipantRecord> builder)
    {
        builder.ToTable("Participants");
        builder.HasIndex(p => new { p.LessonId, p.Number }).IsUnique();
        builder.HasIndex(p => new { p.LessonId, p.ListNumber }).IsUnique();
    }
}
