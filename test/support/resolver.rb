# frozen_string_literal: true

# A caching resolver that obeys every TTL, in one of the ways that resolvers have with an NS set
# (RFC 2181 §5.4.1 ranks the child's above the parent's); written from the standards, knows nothing
# of the desk's sums. Times are seconds.
class SimulatedResolver
  # What the outside does when. t1: DS taken away; t2: switch; shown: R; parent, child, data,
  # negative, ds: TTLs (P, N, m, X, D); keys: TTL of the old zone's keys; old_set: the old zone
  # names the new servers from t2 on; long, lower_at: TTL of data and keys before they are lowered,
  # and when that is. t3: switch back, t4: the DS put back, both nil where nothing goes back;
  # back_set: the new zone names the old servers from t3 on.
  World =
    Struct.new(
      :t1,
      :t2,
      :shown,
      :parent,
      :child,
      :data,
      :negative,
      :ds,
      :keys,
      :old_set,
      :long,
      :lower_at,
      :t3,
      :t4,
      :back_set,
      keyword_init: true
    ) do
      def ttl(lowered, at) = lower_at && at < lower_at ? long : lowered
      def back?(at) = !t3.nil? && at >= t3
      def delegation(at) = at < t2 + shown || (t3 && at >= t3 + shown) ? :old : :new
      def ds?(at) = at < t1 + shown || (!t4.nil? && at >= t4)

      def set_of(host, at)
        return back_set && back?(at) ? :old : :new if host == :new

        old_set && at >= t2 && !back?(at) ? :new : :old
      end
    end

  KINDS = %i[parent child late renewing validating].freeze

  def initialize(kind, world, random)
    @kind = kind
    @world = world
    @random = random
    @set = @answer = @secure = nil
  end

  # Which host's answer is given at an instant, and whether it is bogus: [host, bogus].
  def ask(at, negative: false)
    return @answer.first, false if @answer && at < @answer.last

    trust(at)
    host = set(at)
    bogus = @kind == :validating && host == :new && [@secure, @ds].compact.any? { |ends| at < ends }
    @answer = [host, at + (negative ? @world.negative : @world.ttl(@world.data, at))]
    learn(host, at)
    [host, bogus]
  end

  private

  # A zone counts as signed for as long as its keys are held that were checked with a DS.
  def trust(at)
    return unless @kind == :validating

    @ds = (@world.ds?(at) ? at + @world.ds : nil) if @ds.nil? || at >= @ds
    @secure = at + @world.ttl(@world.keys, at) if @ds && set(at) == :old &&
      (@secure.nil? || at >= @secure)
  end

  def set(at)
    @set = [@world.delegation(at), at + @world.parent, :parent] if @set.nil? || at >= @set[1]
    @set.first
  end

  # What the answering host's own NS set changes.
  def learn(host, at)
    mine = [@world.set_of(host, at), at + @world.child, :child]
    case @kind
    when :child
      @set = mine if @set[2] == :parent
    when :late
      @set = mine if @set[2] == :parent && @random.rand < 0.3
    when :renewing
      @set = mine
    end
  end
end
