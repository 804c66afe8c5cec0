;; Sets of situations, one bit each, in the linear memory: $n bytes from an address on, both multiples of 16.
;; `npm run kernel` assembles this into kernel-code.ts; kernel.ts gives its functions their names and their memory.
(module
  (memory (export "memory") 1)

  ;; a := a or b
  (func (export "absorb") (param $a i32) (param $b i32) (param $n i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $a) (v128.or (v128.load (local.get $a)) (v128.load (local.get $b))))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end)))))

  ;; a := a or (b and c)
  (func $absorbBoth (export "absorbBoth") (param $a i32) (param $b i32) (param $c i32) (param $n i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $a)
        (v128.or (v128.load (local.get $a)) (v128.and (v128.load (local.get $b)) (v128.load (local.get $c)))))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (local.set $c (i32.add (local.get $c) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end)))))

  ;; if a and b share anything, a := a or (b and c); whether they do
  (func (export "join") (param $a i32) (param $b i32) (param $c i32) (param $n i32) (result i32)
    (local $at i32)
    (loop $next
      (if (v128.any_true (v128.and
          (v128.load (i32.add (local.get $a) (local.get $at)))
          (v128.load (i32.add (local.get $b) (local.get $at)))))
        (then
          (call $absorbBoth (local.get $a) (local.get $b) (local.get $c) (local.get $n))
          (return (i32.const 1))))
      (br_if $next (i32.lt_u (local.tee $at (i32.add (local.get $at) (i32.const 16))) (local.get $n))))
    (i32.const 0))

  ;; to := a and b; whether anything is in it
  (func (export "both") (param $to i32) (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32) (local $word v128) (local $any v128)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $to) (local.tee $word (v128.and (v128.load (local.get $a)) (v128.load (local.get $b)))))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (local.set $to (i32.add (local.get $to) (i32.const 16)))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (v128.any_true (local.get $any)))

  ;; to := a without b; whether anything is in it
  (func (export "without") (param $to i32) (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32) (local $word v128) (local $any v128)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $to) (local.tee $word (v128.andnot (v128.load (local.get $a)) (v128.load (local.get $b)))))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (local.set $to (i32.add (local.get $to) (i32.const 16)))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (v128.any_true (local.get $any)))

  ;; to := a without b, then b := a or b; whether anything is in to
  (func (export "claim") (param $to i32) (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32) (local $word v128) (local $any v128)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (local.set $word (v128.andnot (v128.load (local.get $a)) (v128.load (local.get $b))))
      (v128.store (local.get $to) (local.get $word))
      (v128.store (local.get $b) (v128.or (v128.load (local.get $b)) (local.get $word)))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (local.set $to (i32.add (local.get $to) (i32.const 16)))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (v128.any_true (local.get $any)))

  ;; moves to lost what a shares with any of the $count sets whose addresses, 32 bits each, stand from $others on;
  ;; 1 if anything is left in a, and 2 more if anything is lost
  (func (export "lose") (param $lost i32) (param $a i32) (param $others i32) (param $count i32) (param $n i32) (result i32)
    (local $at i32) (local $next i32) (local $last i32)
    (local $mine v128) (local $shared v128) (local $gone v128) (local $anyLeft v128) (local $anyLost v128)
    (local.set $last (i32.add (local.get $others) (i32.shl (local.get $count) (i32.const 2))))
    (loop $chunk
      (local.set $mine (v128.load (i32.add (local.get $a) (local.get $at))))
      (local.set $gone (v128.const i64x2 0 0))
      (local.set $next (local.get $others))
      (block $settled
        (loop $other
          (br_if $settled (i32.eq (local.get $next) (local.get $last)))
          (br_if $settled (i32.eqz (v128.any_true (local.get $mine))))
          (local.set $shared
            (v128.and (local.get $mine) (v128.load (i32.add (i32.load (local.get $next)) (local.get $at)))))
          (local.set $gone (v128.or (local.get $gone) (local.get $shared)))
          (local.set $mine (v128.xor (local.get $mine) (local.get $shared)))
          (local.set $next (i32.add (local.get $next) (i32.const 4)))
          (br $other)))
      (v128.store (i32.add (local.get $a) (local.get $at)) (local.get $mine))
      (v128.store (i32.add (local.get $lost) (local.get $at)) (local.get $gone))
      (local.set $anyLeft (v128.or (local.get $anyLeft) (local.get $mine)))
      (local.set $anyLost (v128.or (local.get $anyLost) (local.get $gone)))
      (br_if $chunk (i32.lt_u (local.tee $at (i32.add (local.get $at) (i32.const 16))) (local.get $n))))
    (i32.or (v128.any_true (local.get $anyLeft)) (i32.shl (v128.any_true (local.get $anyLost)) (i32.const 1))))

  ;; whether a and b share anything
  (func (export "meets") (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (if (v128.any_true (v128.and (v128.load (local.get $a)) (v128.load (local.get $b))))
        (then (return (i32.const 1))))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (i32.const 0))

  ;; the number of the first situation in both a and b, or -1
  (func (export "firstOfBoth") (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $begin i32) (local $end i32) (local $word i64)
    (local.set $begin (local.get $a))
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (if (i64.ne (local.tee $word (i64.and (i64.load (local.get $a)) (i64.load (local.get $b)))) (i64.const 0))
        (then (return (i32.add
          (i32.shl (i32.sub (local.get $a) (local.get $begin)) (i32.const 3))
          (i32.wrap_i64 (i64.ctz (local.get $word)))))))
      (local.set $b (i32.add (local.get $b) (i32.const 8)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 8))) (local.get $end))))
    (i32.const -1))

  ;; to := (left and won, without mine and tied) or (heard and cut); whether anything is in it
  (func (export "masked")
    (param $to i32) (param $left i32) (param $won i32) (param $mine i32) (param $tied i32) (param $heard i32) (param $cut i32)
    (param $n i32) (result i32)
    (local $at i32) (local $word v128) (local $any v128)
    (loop $next
      (local.set $word
        (v128.or
          (v128.andnot
            (v128.and
              (v128.load (i32.add (local.get $left) (local.get $at)))
              (v128.load (i32.add (local.get $won) (local.get $at))))
            (v128.or
              (v128.load (i32.add (local.get $mine) (local.get $at)))
              (v128.load (i32.add (local.get $tied) (local.get $at)))))
          (v128.and
            (v128.load (i32.add (local.get $heard) (local.get $at)))
            (v128.load (i32.add (local.get $cut) (local.get $at))))))
      (v128.store (i32.add (local.get $to) (local.get $at)) (local.get $word))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (br_if $next (i32.lt_u (local.tee $at (i32.add (local.get $at) (i32.const 16))) (local.get $n))))
    (v128.any_true (local.get $any)))
)
