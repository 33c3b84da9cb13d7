import { lend } from "../live/lends";
import { useEffect, useRef, useState } from "react";

type Permission = { requestPermission?: () => Promise<"granted" | "denied"> };

const NONE = "This device has no motion sensor";

/** What a sensor of this device reads, while its control is shown and its switch is on. */
export interface Sensor {
  on: boolean;
  /** Why it gives nothing; empty where it does. */
  trouble: string;
  /** Turns it on or off; a browser may ask its user first. */
  turn: () => void;
}

/**
 * @param event  in which the browser tells what it reads
 * @param asks   the class of that event, which has the permission
 * @param live   whether the control may send
 * @param onRead takes what it reads; false where this device has no such sensor
 */
export function useSensor<K extends "deviceorientation" | "devicemotion">(
  event: K,
  asks: "DeviceOrientationEvent" | "DeviceMotionEvent",
  live: boolean,
  onRead: (e: WindowEventMap[K]) => boolean,
): Sensor {
  const [on, setOn] = useState(false);
  const [trouble, setTrouble] = useState("");
  const read = useRef(onRead);
  useEffect(() => {
    read.current = onRead;
  }, [onRead]);

  useEffect(() => {
    if (!on || !live) return;
    const listen = (e: WindowEventMap[K]) => setTrouble(read.current(e) ? "" : NONE);
    window.addEventListener(event, listen);
    const takeBack = lend(event === "devicemotion" ? "motion" : "tilt");
    return () => {
      window.removeEventListener(event, listen);
      takeBack();
    };
  }, [on, live, event]);

  const turn = async () => {
    const sensor = (window as unknown as Record<string, Permission | undefined>)[asks];
    if (!on && !window.isSecureContext)
      return setTrouble("Sensors need the encrypted address: it is under Other devices in Rig");
    if (!on && sensor?.requestPermission && (await sensor.requestPermission()) !== "granted")
      return setTrouble("This browser was not allowed to use the sensor: allow motion in its settings");
    setTrouble("");
    setOn(!on);
  };
  return { on, trouble, turn: () => void turn().catch(() => setTrouble(NONE)) };
}
