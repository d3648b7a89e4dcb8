# frozen_string_literal: true

require_relative "../test_helper"

# One step alone, over what name servers, registry and record show at that moment. Sentences come
# from the catalogue with their values, so that one that lacks a value raises.
module StepAlone
  Core = SteadyMove::Core
  Moves = SteadyMove::Desk::Moves
  Epp = SteadyMove::Wire::Epp
  START = Time.utc(2027, 3, 1, 8)
  OLD = %w[ns1.old.example ns2.old.example].freeze
  NEW = %w[ns1.new.example ns2.new.example].freeze
  DS = "12345 13 2 #{"AB" * 32}".freeze

  Host =
    Struct.new(:title, :name_servers, :keyed, keyword_init: true) do
      def connected? = keyed
      def key_name = "k"
      def secret = "c2VjcmV0"
      def habits = {}
    end
  Record =
    Struct.new(:name_servers, :signed, :lock, :url, :statuses, :expires_at, keyword_init: true) do
      def status?(code) = statuses.to_a.include?(code)
      def registrar = "Somebody Else"
      def transferred_at = nil
    end
  Bad = Struct.new(:says)
  Lock =
    Struct.new(:on) do
      def yes? = on == true
      def to_value = on
    end
  Transfer = Struct.new(:status, :requested_at, :requested_by, :act_at, keyword_init: true)
  Sight = Moves.const_get(:Outside)::Sight
  Held = Struct.new(:name_servers, :statuses, :expires_at, :sponsor, :auth_info, keyword_init: true)
  # shown: does the record name it; same: are both sides one registrar; form: of the codes that it
  # takes.
  Account =
    Struct.new(:id, :title, :keyed, :shown, :same, :form, keyword_init: true) do
      def epp? = keyed == true
      def shown_by?(_) = shown
      def same_registrar?(_) = same == true
      def habits = { "takes_codes" => form, "suffixes" => [] }
      def registrar = title
    end

  # What name servers say; nil where that is not known. own: their own NS set can be changed.
  Servers =
    Struct.new(:delegated, :ds_at, :wanted, :bad, :own, :answers, :changed, keyword_init: true) do
      def answers(*) = self[:answers].to_h
      def delegation(_) = delegated && [delegated, 3600]
      def ds(_) = ds_at && [ds_at, 3600]
      def ds_wanted(*) = wanted
      def deviations(*) = bad.to_a
      def told(*) = raise(SteadyMove::Wire::Unreachable, "no answer")

      def change_own_set(_, host, servers)
        raise SteadyMove::Wire::Refused.new("REFUSED", "not from you") unless own

        (self.changed ||= []) << [host.title, servers]
      end
    end
  Set = Struct.new(:name, :type, :ttl)
  Zone = Struct.new(:greatest_ttl, :negative_ttl, :content) { def answering = content }
  # The zone as it was fetched, or nil, and as it shall be.
  Zones =
    Struct.new(:zone) do
      def of_move(*) = zone
      def wanted(*, **) = zone
    end
  # What is asked and done beside, and says nothing here.
  class Beside
    def call(*) = nil
    def put(*, **) = nil
    def forget(*) = nil
    def end_with_account(*) = nil
  end
  # What the code safe holds of the move, and what came after it.
  Codes =
    Struct.new(:code, :later, :done) do
      def of_move(_) = code
      def state_of(_) = "checked"
      def proposed(_) = later ? [{ sent_by: "ops@new.example" }] : []
      def take_proposed(_) = later
      def take_for(*, **) = nil
      def checked(_) = done << :checked
      def wipe_of_move(_) = done << :wiped
      def wipe(_) = done << :wiped
      def put(*, **) = done << :put
    end
  # A DNS client whom every server answers the same TTL.
  Dns =
    Struct.new(:ttl) do
      def parent_server(*) = "ns.registry.example"
      def query(*) = self
      def set(*) = [Set.new("ferry", "A", ttl)]
    end
  Ports =
    Struct.new(:servers, :now, :zones, :codes, :dns, keyword_init: true) do
      def carrying = zones
      def live_check = Beside.new
      def names = Beside.new
      def notes = Beside.new
      def rulebook = -> { Struct.new(:life) { def code_life(_) = nil }.new }
    end

  # A context whose outside is given.
  class Alone < Moves.const_get(:StepContext)
    attr_reader :sent, :opened

    def initialize(move, id, given)
      @given = given
      @sent = []
      @opened = []
      super(given.fetch(:ports), move, id, given.fetch(:ports).now)
    end

    def words
      %i[name from to old_host new_host service keeper renewal].to_h { |key| [key, key.to_s] }
    end
    def step = (plan.steps + plan.endings).find { |s| s.id == id }
    def public_record = @given.fetch(:record)
    def losing = @given.fetch(:losing)
    def gaining = @given.fetch(:gaining)
    def reopen(step, _) = @opened << step
    def info(*, **)
      refuse
      @given.fetch(:held)
    end
    def old_host = @given[:old_host]
    def new_host = @given[:new_host]
    def intend(_) = yield("key")
    def ask_key = "ask"
    def epp(_, xml)
      return @given[:transfer] if xml.include?('op="query"')

      @sent << xml
      refuse
      @given[:transfer]
    end

    private

    def refuse
      raise SteadyMove::Wire::Refused.new(@given[:refusal], "no") if @given[:refusal]
    end
  end

  def host(title, servers, keyed: true)
    Host.new(title: title, name_servers: servers, keyed: keyed)
  end

  def event(type, step, after: 0, **data)
    Core::Moves::Event.new(
      seq: 1,
      at: START + after,
      type: type,
      step: step,
      says: "#{type} #{step}",
      evidence: {
      },
      by: "ada",
      data: data.transform_keys(&:to_s)
    )
  end

  RECORDS = %i[carry signed old_set lock code lock_back].freeze

  # A move with what it was told on the way.
  def move(*told, old: OLD, options: RECORDS, ways: {}, plan: {})
    plan =
      Core::Moves::Plan.of(
        **plan,
        name: "ferry.example",
        from: "a",
        to: "b",
        options: options,
        ways: ways,
        old_host: "o",
        new_host: "n",
        old_name_servers: old,
        settle_seconds: 7200,
        response_days: 5,
        years: 1
      )
    events = [event("planned", nil), *told]
    state = Core::Moves::State.fold(plan, events)
    SteadyMove::Store::Moves::Move.new(
      id: 1,
      name: plan.name,
      from_account: plan.from,
      to_account: plan.to,
      plan: plan,
      events: events,
      state: state
    )
  end

  # The record, the registrar's own word and both accounts, as far as they are told.
  def outside(so)
    {
      record:
        Record.new(
          name_servers: so[:record],
          signed: so[:signed],
          lock: Lock.new(so[:locked]),
          url: "https://r.example",
          **so.slice(:statuses, :expires_at)
        ),
      held: Held.new(name_servers: so.fetch(:held, NEW), statuses: [], **so[:info].to_h),
      losing: Account.new(id: "a", title: "Old Names", **so[:losing].to_h),
      gaining: Account.new(id: "b", title: "New Names", **so[:gaining].to_h)
    }
  end

  # What steps ask and keep beside.
  def ports(so)
    servers = Servers.new(**so.slice(*Servers.members))
    zone = so[:zone] && Zone.new(3600, 300, so[:zone] == true ? [] : so[:zone])
    Ports.new(
      now: START + so.fetch(:after, 0),
      servers: servers,
      zones: Zones.new(zone),
      codes: Codes.new(so[:safe], so[:later], []),
      dns: Dns.new(so[:ttl])
    )
  end

  # Returns [what the step found, its context, own sets that were changed].
  def look(step, by: :call, told: [], **so)
    given = {
      ports: ports(so),
      old_host: so.fetch(:old_host, host("Old DNS", OLD)),
      new_host: so.fetch(:new_host, host("New DNS", NEW)),
      **outside(so),
      **so.slice(:transfer, :refusal)
    }
    job = Alone.new(move(*told, **so.slice(:old, :options, :ways, :plan)), step, given)
    act = Moves.const_get(:Act).class_for(step).new(job)
    sight = so[:sight]
    act.define_singleton_method(:sight) { sight } if sight
    found = act.public_send(by)
    [found, job, given[:ports].servers.changed.to_a]
  end

  def events(told) = told.map { |type, id, data| event(type, id, **data.to_h) }
  def again(found) = found.look_at && (found.look_at - START)
end
