using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class CoTeacherConfiguration : IEntityTypeConfiguration<CoTeacherRecord>
{
    public void Configure(EntityTypeBuilder<CoTeacherRecord> builder)
    {
        builder.ToTable("CoTeachers");
        builder.HasKey(c => new { c.OfId, c.Email });
        builder.HasIndex(c => c.Email);
    }
}
