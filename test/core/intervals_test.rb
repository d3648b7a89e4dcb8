# frozen_string_literal: true

require_relative "../test_helper"

# Interval arithmetic over random unions and complements: no overlap, total length kept, every
# second on the right side.
class IntervalsTest < Minitest::Test
  I = Core::Readiness::Intervals

  def random_list(random)
    Array.new(random.rand(0..9)) { [random.rand(-20..60), random.rand(-20..60)] }
  end

  def test_union_and_complement
    random = Random.new(20_270_301)
    500.times do
      list = random_list(random)
      from, to = [random.rand(-10..40), random.rand(-10..60)].minmax
      union = I.union(list)
      open = I.complement(list, from, to)
      union.each_cons(2) { |a, b| assert_operator a[1], :<, b[0], list.inspect }
      (-25..65).each do |t|
        covered = list.any? { |a, b| a <= t && t < b }
        assert_equal covered, union.any? { |a, b| a <= t && t < b }, "#{t} in #{list}"
        assert_equal from <= t && t < to && !covered,
                     open.any? { |a, b| a <= t && t < b },
                     "#{t} out of #{list} in #{from}…#{to}"
      end
      assert_equal [to - from, 0].max,
                   I.total(open) + (from...to).count { |t| union.any? { |a, b| a <= t && t < b } },
                   list.inspect
    end
  end

  def test_without_end
    ever = Float::INFINITY
    assert_equal [[5, ever]], I.complement([[-ever, 5]], 0, ever)
    assert_empty I.complement([[-ever, ever]], 0, ever)
    assert_equal [[0, 9]], I.union([[0, 5], [5, 9], [3, 3]])
  end
end
