# frozen_string_literal: true

module Practice
  # What can happen to anybody, let happen once on purpose; the scenario says with whom and in which
  # words.
  class Happenings
    KINDS = %w[stranger forgery offer].freeze

    # given: the scenario's part of each kind; to: the mailbox that forged letters go to.
    def initialize(registry, post, given, to:)
      @registry = registry
      @post = post
      @to = to
      @given = given
    end

    # kind: one of KINDS. Raises ArgumentError for another, and Refusal where the registry takes no
    # order now.
    def let(kind, at:)
      raise ArgumentError, "#{kind} is none of #{KINDS.join(", ")}" unless KINDS.include?(kind)

      public_send(kind, @given.fetch(kind), at)
    end

    # Somebody with the keys of an account has taken the lock off, and orders the name elsewhere
    # with its code.
    def stranger(given, at)
      name = given.fetch("name")
      row = @registry.find(name)
      pending = row[:statuses].include?("pendingTransfer")
      @registry.domains.where(name: name).update(statuses: '["ok"]') unless pending
      @registry.request_transfer(given.fetch("asks"), name, row[:auth_info], years: 1, at: at)
    end

    # A registrar would like to keep a customer.
    def offer(given, at) = @post.deliver(at, to: @to, **given.transform_keys(&:to_sym))

    # A letter under a registrar's name that another server sent.
    def forgery(given, at)
      @post.deliver(at, to: @to, **given.transform_keys(&:to_sym))
    end
  end
end
