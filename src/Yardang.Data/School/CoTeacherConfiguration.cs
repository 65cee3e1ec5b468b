using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class CoTeacherConfiguration : IEntityTypeConfiguration<CoTeacherRecord>
{
    public void Configure(EntityTypeBuilder<CoTeacherRecord> builder)
    {
        builder.ToTable("CoTeachers");
        builder.HasIndex(c => new { c.OfId, c.Email }).IsUnique();
        builder.HasIndex(c => new { c.OfId, c.Number }).IsUnique();
        builder.HasIndex(c => c.TeacherId);
    }
}
